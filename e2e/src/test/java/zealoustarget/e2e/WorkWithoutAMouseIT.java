package zealoustarget.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.openqa.selenium.Keys;

/** The application by keyboard alone, at 200 %, without motion, and as a screen reader is told. */
class WorkWithoutAMouseIT {
  /** Each with a text that is there once it is whole. */
  private static final List<List<String>> SCREENS =
      List.of(
          List.of("/standing?to=2026-10&selected=R15", "Calculation and sources"),
          List.of("/standing?layout=outlook&span=q&to=2026-12", "Deals as of"),
          List.of("/goals?to=2026-10", "adds up to"),
          List.of("/intake?to=2026-10&load=21", "need attention"),
          List.of("/earnings?to=2026-10&selected=R16", "Commission due with"),
          List.of("/rules?to=2026-10", "Ilse Marwood"),
          List.of("/rules?show=company&to=2026-10", "Fiscal year starts in"),
          List.of("/intake?to=2026-10", "stand between you and closing"),
          List.of("/account", "Keys"));

  @TempDir Path folder;

  @Test
  void month_isWorked_byKeysAlone() throws IOException {
    try (App app = App.empty(folder.resolve("data"));
        Browser browser = Browser.open(app)) {
      browser.go("/intake");
      load(browser, "rep\tname\tregion\tmanager\tfrom\nK1\tIda Pell\tNorth\tTull\t2026-07\n");
      load(browser, "month\trep\tquota\n2026-10\tK1\t400.00\n2026-11\tK1\t500.00\n");
      browser.go("/intake");
      browser.awaitText("Load the");
      browser.paste(
          "month\trep\trevenue\n2026-10\tK1\t3x0\n2026-10\tK1\t100\n2026-10\tK1\t30\n"
              + "2026-10\tK1\t20\n");
      browser.awaitText("1 line needs attention");
      browser.arrowTo("3x0");
      browser.press(Keys.ENTER);
      browser.press(Keys.chord(Keys.CONTROL, "a"), "300", Keys.ENTER);
      browser.enter("Post 4 lines");
      browser.awaitText(" is posted.");

      browser.go("/standing?to=2026-10");
      browser.awaitText("Ida Pell");
      browser.press("j");
      browser.press(Keys.ENTER);
      browser.awaitText("Calculation and sources");
      browser.press(Keys.ESCAPE);
      browser.press("1");
      browser.awaitText("adds up to");
      browser.press("5");
      browser.enter("Draft briefing");
      browser.awaitText("October 2026 ended");
      browser.press("2");
      browser.awaitText("stand between you and closing");
      browser.enter("Close October 2026");
      browser.awaitText("Reason for waiving");
      browser.tabTo("Reason for waiving");
      browser.press("a small company", Keys.ENTER);
      browser.awaitText("October 2026 is closed");
    }
  }

  private static void load(Browser browser, String cells) {
    browser.go("/intake");
    browser.awaitText("Load the");
    browser.paste(cells);
    browser.awaitText(" is ready.");
    browser.enter("Post ");
    browser.awaitText(" is posted.");
  }

  @Test
  void everyOpenedList_isWithoutAFault() {
    try (App app = App.demo(folder.resolve("data"));
        Browser browser = Browser.open(app)) {
      int opened = 0;
      for (List<String> screen : SCREENS) {
        browser.go(screen.get(0));
        browser.awaitText(screen.get(1));
        for (String name : browser.openers()) {
          browser.openBy(name);
          assertThat(browser.axeOfOpened()).as("%s, %s", screen.get(0), name).isEmpty();
          browser.press(Keys.ESCAPE);
          opened++;
        }
      }
      assertThat(opened).isGreaterThan(25);
    }
  }

  @Test
  void atTwiceTheSize_andWithoutMotion_everythingIsReached() {
    try (App app = App.demo(folder.resolve("data"));
        Browser browser = Browser.open(app)) {
      browser.zoomTwice();
      browser.withoutMotion();
      for (List<String> screen : SCREENS) {
        browser.go(screen.get(0));
        browser.awaitText(screen.get(1));
        browser.awaitNoText("Loading ");
        assertThat(browser.cutControls()).as(screen.get(0)).isEmpty();
        assertThat(
                browser.is("document.getAnimations().every((one) => one.playState !== 'running')"))
            .as("nothing moves at %s", screen.get(0))
            .isTrue();
      }
    }
  }

  @Test
  void everyControl_hasAName_andChangesAreAnnounced() {
    Set<String> controls =
        Set.of("button", "link", "textbox", "combobox", "searchbox", "checkbox", "radio", "grid");
    try (App app = App.demo(folder.resolve("data"));
        Browser browser = Browser.open(app)) {
      for (List<String> screen : SCREENS) {
        browser.go(screen.get(0));
        browser.awaitText(screen.get(1));
        List<Browser.Spoken> spoken = browser.spoken();
        assertThat(spoken)
            .as(screen.get(0))
            .filteredOn(one -> controls.contains(one.role()))
            .hasSizeGreaterThan(15)
            .noneMatch(one -> one.name().isBlank());
        List<String> roles = new ArrayList<>(spoken.stream().map(Browser.Spoken::role).toList());
        assertThat(roles).as(screen.get(0)).contains("navigation", "heading");
        assertThat(roles.stream().filter("RootWebArea"::equals)).hasSize(1);
      }
      browser.go("/standing?to=2026-10");
      browser.awaitText("October 2026 is");
      browser.press("]");
      browser.awaitText("November 2026");
      assertThat(browser.announced()).anyMatch(said -> said.startsWith("November 2026"));
    }
  }
}
