package zealoustarget.e2e;

import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.openqa.selenium.Keys;

/** Takes the pictures of docs/screenshots; run by docs/screenshots/make only. */
class TakeScreenshotsIT {
  @TempDir Path folder;

  private static void standing(Browser browser, Path pictures, String name, String view) {
    browser.go("/standing?" + view);
    browser.awaitText("Rows:");
    browser.awaitNoText("Loading ");
    browser.picture(pictures.resolve("standing-" + name + ".png"));
  }

  @Test
  void mainViews() {
    Path pictures = Path.of(System.getProperty("screenshots"));
    try (App app = App.demo(folder.resolve("data"));
        Browser browser = Browser.open(app)) {
      browser.go("/standing?to=2026-10&span=y&selected=R15");
      browser.await("proof", () -> browser.textOf("Calculation and sources").contains("lines"));
      browser.picture(pictures.resolve("standing.png"));
      browser.go("/standing?layout=outlook&span=q&to=2026-12&selected=R15");
      browser.awaitText("Mina Castellan: deals since");
      browser.awaitNoText("Loading ");
      browser.picture(pictures.resolve("standing-outlook.png"));
      standing(browser, pictures, "groups", "span=y&to=2026-10&group=region&selected=South+Reach/");
      standing(browser, pictures, "months", "span=y&to=2026-10&layout=months");
      standing(browser, pictures, "compare", "to=2026-10&layout=compare&only=R16&only=R17");
      browser.dark(true);
      standing(browser, pictures, "dark", "span=y&to=2026-10&selected=R03");
      browser.dark(false);
      browser.go("/goals?to=2026-10");
      browser.awaitText("for fiscal 2027 adds up to");
      browser.clickAt(
          "//*[@role='row'][*[@role='rowheader' and normalize-space()='Edda Kray']]/*[@role='gridcell'][4]");
      browser.press("53 000", Keys.ENTER);
      browser.awaitText("Edda Kray moves to near");
      browser.picture(pictures.resolve("goals.png"));
      browser.go("/rules?show=company&to=2026-10");
      browser.awaitText("What is ticked waits");
      browser.label("Goals, also those of files");
      browser.button("Save approval");
      browser.awaitText("Approval is saved.");
      browser.go("/goals?to=2026-10");
      browser.awaitText("Edda Kray moves to near");
      browser.button("Apply 1 change");
      browser.awaitText("Nothing of it counts");
      browser.signIn("approver");
      browser.go("/rules?show=proposals&to=2026-10");
      browser.awaitText("Statuses that would change");
      browser.picture(pictures.resolve("rules-proposals.png"));
      browser.signIn(App.ANALYST);
      browser.go("/earnings?to=2026-10&selected=R16");
      browser.await("statement", () -> browser.textOf("Statement").contains("Commission due with"));
      browser.picture(pictures.resolve("earnings.png"));
      browser.go("/earnings?to=2026-09&show=seal");
      browser.await("changes", () -> browser.textOf("Changed since closing").contains("Dario"));
      browser.picture(pictures.resolve("earnings-sealed.png"));
      browser.go("/rules?to=2026-10");
      browser.await("effect", () -> browser.textOf("Effect").contains("Ilse Marwood"));
      browser.picture(pictures.resolve("rules-plan.png"));
      browser.go("/intake?to=2026-10&need=quotas");
      browser.awaitText("stand between you and closing");
      browser.picture(pictures.resolve("intake-close.png"));
      browser.go("/briefing?to=2026-10");
      browser.button("Draft briefing");
      browser.awaitText("region plan");
      browser.awaitNoText("Drafting");
      browser.picture(pictures.resolve("briefing.png"));
      browser.go("/intake?to=2026-10&load=21");
      browser.awaitText("need attention");
      browser.picture(pictures.resolve("intake.png"));
      browser.choose(
          Path.of("../demo/samples/semicolon-other-names.csv").toAbsolutePath().normalize());
      browser.awaitText("semicolon-other-names.csv is ready.");
      browser.buttonLabelled("Net EUR maps to revenue");
      browser.awaitText("Decimal mark");
      browser.picture(pictures.resolve("intake-columns.png"));
      browser.go("/accounts");
      browser.awaitText("New account");
      browser.picture(pictures.resolve("accounts.png"));
      browser.signIn("rep");
      browser.go("/mine?to=2026-10");
      browser.await("statement", () -> browser.textOf("Statement").contains("Commission due with"));
      browser.picture(pictures.resolve("my-month.png"));
      browser.signOut();
      browser.picture(pictures.resolve("sign-in.png"));
    }
  }
}
