package zealoustarget.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * A month is finished, told and handed on: late lines, a waiver, a briefing, closing, a correction.
 */
class CloseAndTellIT {
  @TempDir Path folder;

  @Test
  void october_isFinished_told_signed_closed_andCorrected() throws IOException {
    try (App app = App.demo(folder.resolve("data"));
        Browser browser = Browser.open(app)) {
      browser.go("/intake?to=2026-10");
      browser.awaitText("October 2026: 4 things stand between you and closing.");
      assertThat(browser.axe()).isEmpty();

      // the late file with its three lines on hold
      browser.button("Open load");
      browser.awaitText("need attention");
      browser.clickAt("//button[starts-with(normalize-space(.), 'Post ')]");
      browser.awaitText("is posted");
      browser.link("Intake");
      browser.awaitText("October 2026: 4 things stand between you and closing.");
      assertThat(browser.textOf("What October 2026 needs")).contains("Lines on hold");

      // what nobody will settle is waived with a reason
      for (String line : new String[] {"Lines on hold", "Reps without quota"}) {
        browser.button(line);
        browser.await("panel", () -> browser.textOf("Line of the close list").startsWith(line));
        browser.button("Waive line");
        browser.await("its field", () -> browser.focused().startsWith("Reason for the waiver"));
        browser.press("Settled in November");
        browser.clickAt("//form[@aria-label='Waive line']//button[@type='submit']");
        browser.await(
            "waived",
            () -> browser.textOf("Line of the close list").contains("Settled in November"));
      }
      browser.awaitText("October 2026: 2 things stand between you and closing.");

      // the month told
      browser.button("Open briefing");
      browser.awaitText("October 2026 has no briefing yet.");
      browser.button("Draft briefing");
      browser.awaitText("region plan");
      assertThat(browser.text()).contains("holds");
      assertThat(browser.axe()).isEmpty();

      // a load moves a claim: old and new stand side by side
      app.loadAndPost("actuals", "month,rep,revenue\n", 1, "2026-10,R01,1000.00\n");
      browser.go("/briefing?to=2026-10");
      browser.awaitText("Take the new figures");
      browser.button("Read all anew");
      browser.awaitNoText("Take the new figures");
      browser.button("Hand over to sign");
      browser.awaitText("Handed over; it waits for a signature.");

      browser.signIn("approver");
      browser.go("/briefing?to=2026-10");
      browser.button("Sign briefing");
      browser.awaitText("Signed; every claim still holds.");
      browser.link("Web page");
      Path page = browser.saved("briefing October 2026.html");
      assertThat(Files.readString(page, StandardCharsets.UTF_8)).contains("Signed by approver");
      browser.openFile(page);
      assertThat(browser.axe()).as("the page by itself, without a network").isEmpty();

      // closing waives the last line
      browser.go("/earnings?to=2026-10&show=seal");
      browser.awaitText("Misses without a reason");
      browser.fill("Reason for waiving", "Told in the briefing");
      browser.button("Waive 1 line and close October 2026");
      browser.awaitText("October 2026 is closed");
      browser.go("/intake?to=2026-10");
      browser.awaitText("October 2026 is closed.");
      browser.awaitText("3 lines were waived.");
    }
  }
}
