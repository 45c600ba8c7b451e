package zealoustarget.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.openqa.selenium.Keys;

/** The application by keyboard alone, at 200 %, without motion, and as a screen reader is told. */
class WorkWithoutAMouseIT {
  private static final Set<String> CONTROLS =
      Set.of("button", "link", "textbox", "combobox", "searchbox", "checkbox", "radio", "grid");

  /** How many of the screens, from the first on, have their lists opened one by one. */
  private static final int WITH_LISTS = 2;

  /** Each with a text that is there once it is whole. */
  private static final List<List<String>> SCREENS =
      List.of(
          List.of("/standing?to=2026-10&selected=R15", "Calculation and sources"),
          List.of("/goals?to=2026-10", "adds up to"),
          List.of("/earnings?to=2026-10&selected=R16", "Commission due with"),
          List.of("/standing?layout=outlook&span=q&to=2026-12", "Deals as of"),
          List.of("/intake?to=2026-10&load=21", "need attention"),
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
  void everyScreen_isReachedAndNamed_atTwiceTheSize_andInItsLists() {
    try (App app = App.demo(folder.resolve("data"));
        Browser browser = Browser.open(app)) {
      everyControl_hasAName_andChangesAreAnnounced(browser);
      everyOpenedList_isWithoutAFault(browser);
      atTwiceTheSize_andWithoutMotion_everythingIsReached(browser);
    }
  }

  private static void everyOpenedList_isWithoutAFault(Browser browser) {
    int opened = 0;
    for (List<String> screen : SCREENS.subList(0, WITH_LISTS)) {
      open(browser, screen);
      for (String name : browser.openers()) {
        browser.openBy(name);
        assertThat(browser.axeOfOpened()).as("%s, %s", screen.get(0), name).isEmpty();
        browser.press(Keys.ESCAPE);
        opened++;
      }
    }
    assertThat(opened).isGreaterThan(12);
  }

  private static void atTwiceTheSize_andWithoutMotion_everythingIsReached(Browser browser) {
    browser.zoomTwice();
    browser.withoutMotion();
    for (List<String> screen : SCREENS) {
      open(browser, screen);
      browser.awaitNoText("Loading ");
      assertThat(browser.cutControls()).as(screen.get(0)).isEmpty();
      assertThat(browser.is("document.getAnimations().every((one) => one.playState !== 'running')"))
          .as("nothing moves at %s", screen.get(0))
          .isTrue();
    }
  }

  private static void everyControl_hasAName_andChangesAreAnnounced(Browser browser) {
    for (List<String> screen : SCREENS) {
      open(browser, screen);
      List<Browser.Spoken> spoken = browser.spoken();
      assertThat(spoken)
          .as(screen.get(0))
          .filteredOn(one -> CONTROLS.contains(one.role()))
          .hasSizeGreaterThan(15)
          .noneMatch(one -> one.name().isBlank());
      List<String> roles = spoken.stream().map(Browser.Spoken::role).toList();
      assertThat(roles).as(screen.get(0)).contains("navigation", "heading");
      assertThat(roles.stream().filter("RootWebArea"::equals)).hasSize(1);
    }
    browser.go("/standing?to=2026-10");
    browser.awaitText("October 2026 is");
    browser.press("]");
    browser.awaitText("November 2026");
    assertThat(browser.announced()).anyMatch(said -> said.startsWith("November 2026"));
  }

  private static void open(Browser browser, List<String> screen) {
    browser.go(screen.get(0));
    browser.awaitText(screen.get(1));
  }
}
