package zealoustarget.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.openqa.selenium.Keys;

/** Goals that wait for a second person: proposed, declined, proposed again, accepted. */
class ApproveTheGoalsIT {
  private static final String OCTOBER_OF_EDDA =
      "//*[@role='row'][*[@role='rowheader' and normalize-space()='Edda Kray']]"
          + "/*[@role='gridcell'][4]";

  @TempDir Path folder;

  @Test
  void goals_countOnceAnotherPersonHasAcceptedThem() {
    try (App app = App.demo(folder.resolve("data"));
        Browser browser = Browser.open(app)) {
      browser.go("/rules?show=company&to=2026-10");
      browser.awaitText("What is ticked waits");
      browser.label("Goals, also those of files");
      browser.button("Save approval");
      browser.awaitText("Approval is saved.");

      browser.go("/goals?to=2026-10");
      browser.awaitText("for fiscal 2027 adds up to");
      browser.clickAt(OCTOBER_OF_EDDA);
      browser.press("53 000", Keys.ENTER);
      browser.awaitText("Edda Kray moves to near");
      browser.button("Apply 1 change");
      browser.awaitText("Nothing of it counts before an approver accepts it.");
      browser.link("Open the proposal");
      browser.awaitText("You made this proposal.");
      browser.go("/standing?to=2026-10");
      browser.awaitRow("Edda Kray", "105.1");

      open(browser);
      assertThat(browser.axe()).isEmpty();
      browser.fill("Reason for declining", "Ask the region first");
      browser.button("Decline proposal");
      browser.awaitText("Reason: Ask the region first");
      browser.signOut();

      browser.signIn(App.ANALYST);
      browser.go("/goals?to=2026-10");
      browser.awaitText("Edda Kray moves to near"); // the analyst's draft again
      browser.button("Apply 1 change");
      browser.awaitText("Nothing of it counts before an approver accepts it.");

      open(browser);
      browser.button("Accept proposal");
      browser.awaitText("Accepted by approver");
      browser.signOut();
      browser.signIn(App.ANALYST);
      browser.go("/standing?to=2026-10");
      browser.awaitRow("Edda Kray", "99.1");
    }
  }

  /** Opens what waits as the approver. */
  private static void open(Browser browser) {
    browser.signOut();
    browser.signIn("approver");
    browser.awaitText("1 proposal");
    browser.linkContaining("1 proposal");
    browser.awaitText("Edda Kray, October 2026");
    browser.awaitText("Edda Kray moves to near");
  }
}
