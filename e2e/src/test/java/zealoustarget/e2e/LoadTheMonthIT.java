package zealoustarget.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** From an empty start to a standing that is proved, and back, as an analyst does it. */
class LoadTheMonthIT {
  private static final String ROSTER =
      """
      rep,name,region,manager,from,until
      K1,Ines Brackwater,North,Tull,2025-07,
      K2,Jorun Pike,North,Tull,2025-07,
      K3,Sefa Lindmoor,South,Oster,2025-07,
      """;
  private static final String PRODUCTS =
      """
      product,name,line
      P10,Mooring line 12 mm,rope
      P30,Flare set,safety
      """;
  private static final String QUOTA =
      """
      month,rep,revenue
      2026-10,K1,1000.00
      2026-10,K2,500.00
      2026-10,K3,400.00
      """;
  private static final String ACTUALS =
      """
      date,order,rep,product,revenue,units
      2026-10-03,O-1,K1,P10,1100.00,12
      2026-10-05,O-2,K2,P30,410.50,4
      2026-10-06,O-3,K9,P10,80.00,1
      2026-10-07,O-4,K3,P30,3x0.00,2
      2026-10-09,O-5,K2,P10,39.50,1
      2026-10-30,O-6,K3,P10,150.00,3
      """;

  @TempDir Path folder;

  @Test
  void analyst_loadsReadsProvesAndReverses() throws IOException {
    try (App app = App.empty(folder.resolve("data"));
        Browser browser = Browser.open(app)) {
      browser.go("/intake");
      browser.awaitText("Load the first file.");
      assertThat(browser.axe()).isEmpty();

      stage(browser, "roster.csv", ROSTER);
      browser.button("Post 3 lines");
      browser.awaitText("roster.csv is posted.");
      stage(browser, "products.csv", PRODUCTS);
      browser.button("Post 2 lines");
      browser.awaitText("products.csv is posted.");
      stage(browser, "quota-october.csv", QUOTA);
      browser.button("Post 3 lines");
      browser.awaitText("quota-october.csv is posted.");

      stage(browser, "october.csv", ACTUALS);
      browser.awaitText("october.csv: 2 lines need attention.");
      browser.awaitText("“K9” is not a known rep");
      browser.buttonContaining("Invalid amounts");
      browser.awaitText("\"3x0.00\" is not an amount");
      assertThat(browser.textOf("Reconciliation"))
          .contains("6 lines", "4 lines", "2 lines", "1 780.00", "1 700.00", "80.00");
      assertThat(browser.axe()).isEmpty();
      browser.button("Post 4 lines");
      browser.awaitText("october.csv is posted, 2 lines on hold.");

      browser.link("Open Standing");
      browser.awaitText("October 2026 is");
      browser.awaitRow("Ines Brackwater", "1 100 1 000 +100");
      assertThat(browser.row("Ines Brackwater")).contains("110.0", "reached");
      assertThat(browser.row("Jorun Pike")).contains("450", "500", "−50", "90.0", "near");
      assertThat(browser.row("Sefa Lindmoor")).contains("37.5", "behind");
      assertThat(browser.text())
          .contains("One of the two reps that are short accounts for 83 % of the shortfall.");

      browser.button("Jorun Pike");
      browser.await(
          "proof", () -> browser.textOf("Calculation and sources").contains("Actual: 2 lines"));
      assertThat(browser.textOf("Calculation and sources"))
          .contains("450.00 ÷ 500.00 = 0.9")
          .contains("threshold 2")
          .contains("october.csv, line 3", "october.csv, line 6")
          .contains("quota-october.csv, line 3");
      assertThat(browser.axe()).isEmpty();

      browser.link("october.csv");
      browser.button("Reverse load");
      browser.awaitText("october.csv was posted and reversed.");
      browser.go("/standing?to=2026-10&against=set:quota");
      browser.awaitText("October 2026 has no actuals yet.");
      browser.awaitRow("Ines Brackwater", "1 000");
      assertThat(browser.row("Ines Brackwater")).doesNotContain("−1 000");
    }
  }

  @Test
  void analyst_makesMistakes_isToldWhatToDo() throws IOException {
    try (App app = App.empty(folder.resolve("data"));
        Browser browser = Browser.open(app)) {
      browser.go("/intake");
      browser.awaitText("Load the first file.");
      choose(browser, "empty.csv", "");
      browser.awaitText("\"empty.csv\" is empty.");
      browser.button("Close message");
      choose(browser, "sales.csv", "who,when,how much\nK1,2026-10,5\n");
      browser.awaitText("sales.csv needs a field before it can be checked.");
      browser.awaitText("The header has no column");
      browser.button("Discard load");
      browser.awaitText("Load the first file.");
      stage(browser, "early.csv", ACTUALS);
      browser.awaitText("No line of early.csv is ready.");
      browser.button("Discard load");
      browser.awaitText("Load the first file.");
      assertThat(browser.text()).doesNotContain("early.csv");
    }
  }

  @Test
  void fileDroppedOnAnyDesk_isTakenToIntake() {
    try (App app = App.empty(folder.resolve("data"));
        Browser browser = Browser.open(app)) {
      browser.go("/standing");
      browser.awaitText("Nothing is posted yet.");
      browser.drop("roster.csv", ROSTER);
      browser.awaitText("roster.csv is ready.");
      browser.button("Post 3 lines");
      browser.awaitText("roster.csv is posted.");
    }
  }

  private void stage(Browser browser, String name, String content) throws IOException {
    choose(browser, name, content);
    browser.awaitText("Discard load");
  }

  private void choose(Browser browser, String name, String content) throws IOException {
    browser.choose(Files.writeString(folder.resolve(name), content));
  }
}
