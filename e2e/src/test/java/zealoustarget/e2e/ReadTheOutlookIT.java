package zealoustarget.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What open deals are still worth against the quarter's quota, through the pages alone. */
class ReadTheOutlookIT {
  private static final String QUARTER = "/standing?layout=outlook&span=q&to=2026-12";

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

  @Test
  void fromTheList_toTheWholeQuarter_itsRowsAndTheirDeals() {
    browser.go("/standing?to=2026-11");
    browser.awaitText("November 2026");
    browser.buttonLabelled("Layout");
    browser.option("Outlook");
    browser.awaitText("Quarter 2 of fiscal 2027 should end");
    assertThat(browser.address()).contains("layout=outlook", "span=q", "to=2026-12");
    assertThat(browser.row("Osei Brandt")).contains("behind", "173.0");
    assertThat(browser.row("Emil Rook")).contains("no goal");
    browser.button("Mina Castellan");
    browser.await("close-up", () -> browser.textOf("Close-up").startsWith("Mina Castellan"));
    browser.awaitText("stand at 63.6 %");
    assertThat(browser.textOf("Overdue, counted in none of these")).contains("D-1230", "10");
    browser.buttonContaining("D-1225");
    browser.awaitText("What each snapshot said");
    browser.linkContaining("deals-2026-11-20.csv, line");
    browser.awaitText("deals as of 2026-11-20");
  }

  @Test
  void bridge_leadsToTheDealsOfAStep_andToAnotherSnapshot() {
    browser.go(QUARTER + "&selected=R02");
    browser.awaitText("Petra Lindqvane: deals since 2026-11-05");
    browser.buttonLabelled("Since");
    browser.option("2026-10-20");
    browser.awaitText("Petra Lindqvane: deals since 2026-10-20");
    browser.button("moved out");
    browser.awaitText("Deals: moved out");
    assertThat(browser.textOf("Deals: moved out")).contains("14", "Jan", "1 deal");
    browser.button("Show open deals");
    browser.buttonLabelled("Deals as of");
    browser.option("2026-10-05");
    browser.awaitText("There is no earlier snapshot to compare with.");
  }

  @Test
  void insights_groupsAndSorting_showWhatTheySay() {
    browser.go(QUARTER);
    browser.linkContaining("have too few deals");
    browser.await("four rows", () -> browser.rowNames().size() == 4);
    browser.go(QUARTER + "&group=region");
    browser.awaitRow("South Reach", "behind");
    browser.buttonLabelled("Close South Reach");
    browser.await("folded", () -> !browser.rowNames().contains("Tilda Voss"));
    browser.go(QUARTER + "&axis=product&against=none");
    browser.awaitRow("Chart plotter 9in", "no goal");
    browser.go(QUARTER + "&measure=spend&axis=region");
    browser.awaitText("Deals say nothing of spend");
    browser.button("Back to the list");
    browser.awaitText("Rows:");
  }

  @Test
  void everyWidth_isFreeOfFindings() {
    for (int width : new int[] {1280, 1024, 320}) {
      browser.size(width, 800);
      browser.go(QUARTER + "&selected=R15");
      browser.awaitText("Mina Castellan: deals since");
      browser.awaitNoText("Loading ");
      assertThat(browser.axe()).as("%d wide", width).isEmpty();
    }
    browser.size(1280, 800);
    browser.dark(true);
    browser.go(QUARTER + "&selected=R10");
    browser.awaitText("Osei Brandt: deals since");
    assertThat(browser.axe()).as("dark").isEmpty();
    browser.dark(false);
  }

  @Test
  void rep_seesTheOwnDealsOnly() {
    browser.signIn("rep");
    browser.go(QUARTER);
    browser.awaitText("Dario Venn");
    assertThat(browser.rowNames()).containsExactly("Dario Venn");
    assertThat(browser.text()).contains("4 deals").doesNotContain("D-1225");
    browser.signIn(App.ANALYST);
  }
}
