package zealoustarget.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.openqa.selenium.Keys;

/** Reading the demo company's standing by mouse, by keyboard and by address. */
class ReadTheStandingIT {
  @TempDir static Path folder;
  private static App app;
  private static Browser browser;

  @BeforeAll
  static void open() {
    app = App.demo(folder.resolve("data"));
    browser = Browser.open(app);
  }

  @AfterAll
  static void close() {
    browser.close();
    app.close();
  }

  @BeforeEach
  void start() {
    browser.go("/standing?to=2026-10");
    browser.awaitText("October 2026 is");
  }

  @Test
  void plantedRep_tenShortOfQuota_isNeverShownAsReached() {
    assertThat(browser.row("Rurik Sand")).contains("−10.00", "99.98", "near");
  }

  @Test
  void total_holdsTheNoGoalLine() {
    assertThat(browser.text()).contains("No goal assigned").contains("6 of 17 reached quota");
    assertThat(browser.row("Emil Rook")).contains("no goal");
  }

  @Test
  void axisSpanAndBasis_change_theAddressKeepsThem() {
    browser.buttonLabelled("Rows");
    browser.option("regions");
    browser.awaitRow("Harbour Isles", "behind");
    browser.buttonLabelled("Year to date");
    browser.awaitText("Four months in, fiscal 2027 is");
    browser.buttonLabelled("Compare with");
    browser.option("last year");
    browser.await("address", () -> browser.address().contains("against=prior-year"));
    browser.awaitText("last year");
    String address = browser.address();
    String headline = browser.textOf("Standing");
    browser.go(address.substring(address.indexOf("/standing")));
    browser.awaitText("Four months in, fiscal 2027 is");
    assertThat(browser.textOf("Standing")).isEqualTo(headline);
  }

  @Test
  void sortAndNarrow_showWhatIsAskedFor() {
    browser.button("Rep");
    browser.await("sorted by name", () -> browser.rowNames().get(0).equals("Adaeze Fenn"));
    browser.buttonLabelled("Filter");
    browser.fill("Name, ID or region contains", "wren");
    browser.await("one row", () -> browser.rowNames().size() == 1);
    browser.awaitText("17 rows not shown");
    browser.awaitText("Wren Halloway");
    browser.go("/standing?to=2026-10&region=South+Reach");
    browser.await("South Reach only", () -> browser.rowNames().size() == 4);
    assertThat(browser.row("Tilda Voss")).contains("South Reach");
  }

  @Test
  void keysAlone_moveMonthRowsAndDesks() {
    browser.press("j");
    browser.await("first row", () -> browser.textOf("Close-up").startsWith("Wren Halloway"));
    browser.press("k");
    browser.await("total", () -> browser.textOf("Close-up").startsWith("Saltmarsh Chandlery"));
    browser.press("[");
    browser.awaitText("September 2026 is");
    browser.press("q");
    browser.awaitText("Three months in, fiscal 2027 is");
    browser.press("f");
    browser.await(
        "figures",
        () -> browser.textOf("Month by month, compared with quota").contains("July 2026"));
    browser.press("/");
    browser.press("plotter");
    browser.awaitText("Chart plotter 9in");
    browser.press(Keys.ARROW_DOWN, Keys.ENTER);
    browser.await("product", () -> browser.textOf("Close-up").startsWith("Chart plotter 9in"));
    browser.press(Keys.ESCAPE);
    browser.go("/standing");
    browser.awaitText("October 2026 is");
    browser.press("?");
    browser.awaitText("Next row");
    assertThat(browser.axe()).isEmpty();
    browser.press(Keys.ESCAPE);
    browser.press("2");
    browser.awaitText("orders-2026-10-harbour-isles.csv");
  }

  @Test
  void everyScreen_atEveryWidth_hasNoFaultThatAxeFinds() {
    for (int width : new int[] {320, 1024, 1280, 1600, 2560}) {
      browser.size(width, 800);
      browser.go("/standing?to=2026-10&selected=R10");
      browser.await("proof", () -> browser.textOf("Calculation and sources").contains("lines"));
      assertThat(browser.axe()).as("standing at %d", width).isEmpty();
      if (width < 1000) {
        continue;
      }
      browser.go("/intake?load=21");
      browser.awaitText("need attention");
      assertThat(browser.axe()).as("intake at %d", width).isEmpty();
    }
    browser.size(1280, 800);
  }
}
