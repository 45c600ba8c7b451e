package zealoustarget.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.openqa.selenium.Keys;
import tools.jackson.databind.JsonNode;

/** The month's questions, task by task, through the pages alone. */
class WorkTheStandingIT {
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
  void findTheThreeRepsThatMakeTheMiss_andNoteWhy() {
    open("/standing?span=y&to=2026-10");
    browser.buttonLabelled("Filter");
    browser.select("Top or bottom", "bottom");
    browser.fill("Rows", "3");
    browser.button("Apply filter");
    browser.awaitText("15 rows not shown");
    assertThat(browser.rowNames()).containsExactly("Mina Castellan", "Adaeze Fenn", "Osei Brandt");
    browser.button("Osei Brandt");
    browser.await("close-up", () -> browser.textOf("Close-up").startsWith("Osei Brandt"));
    browser.choose("Reason", "stock-out");
    browser.write("Note", "No life jackets from May on");
    browser.button("Save note");
    browser.awaitRow("Osei Brandt", "✎ stock-out");
    browser.await(
        "the reason among the insights",
        () -> {
          browser.allInsights();
          return browser.text().contains("of the shortfall: stock-out.");
        });
    browser.go("/standing?span=y&to=2026-10&selected=R10");
    browser.await(
        "kept",
        () -> browser.textOf("Reason for the variance").contains("October 2026: stock-out"));
    assertThat(browser.textOf("Reason for the variance")).contains("No life jackets from May on");
  }

  @Test
  void lateRegionAppears_judgedShadedAndRanked_withoutTouchingARule() {
    open("/standing?axis=region&to=2026-10");
    browser.awaitRow("Harbour Isles", "behind");
    browser.drop(
        "harbour isles october.csv",
        "date,order,rep,region,product,revenue\n"
            + "2026-10-05,HX-1,R13,Harbour Isles,NV-50,70000.00\n"
            + "2026-10-06,HX-2,R14,Harbour Isles,CT-40,61000.00\n");
    browser.awaitText("harbour isles october.csv is ready.");
    browser.button("Post 2 lines");
    browser.awaitText("harbour isles october.csv is posted.");
    open("/standing?axis=region&to=2026-10&selected=Harbour+Isles");
    browser.awaitRow("Harbour Isles", "reached");
    assertThat(browser.row("Harbour Isles")).contains("131 000.00", "+11 000.00", "109.2");
    assertThat(browser.shadeOf("Harbour Isles")).contains("color-mix");
    browser.await("rank", () -> browser.textOf("Close-up").contains("of 5 regions"));
  }

  @Test
  void changeTheLimit_seeWhoFlips_save() {
    open("/standing?axis=product&to=2026-10");
    List<String> before = browser.rowsWith("reached");
    browser.buttonContaining("Status thresholds");
    browser.await(
        "trial", () -> browser.textOf("Status thresholds").contains("No row changes its status."));
    browser.type("Threshold 3, starts at", "");
    browser.awaitText("needs a number");
    browser.type("Threshold 3, starts at", "112");
    browser.await(
        "flips", () -> browser.textOf("Rows that would change their status").contains(" row"));
    String flips = browser.textOf("Rows that would change their status");
    assertThat(browser.rowsWith("reached")).as("nothing is changed yet").isEqualTo(before);
    browser.button("Save thresholds");
    browser.awaitText("Saved.");
    browser.await("judged anew", () -> browser.rowsWith("reached").size() < before.size());
    for (String name : before) {
      boolean isStill = browser.rowsWith("reached").contains(name);
      assertThat(flips.contains(name)).as(name).isNotEqualTo(isStill);
    }
    open("/standing?axis=product&to=2026-09");
    browser.buttonContaining("Status thresholds");
    browser.await("own ladder", () -> browser.valueOf("Threshold 3, starts at").equals("100"));
  }

  @Test
  void yearSheet_saysTheSameAsTheApi_bothWays() {
    open("/standing?to=2026-10&span=q&layout=months&against=set:quota");
    browser.await("sheet", () -> browser.textOf("Months by rep").contains("Total"));
    browser.buttonLabelled("Figures");
    browser.option("actual");
    JsonNode sheet =
        app.json("/api/v1/standing/sheet?goalSet=quota&from=2026-10&to=2026-10&axis=rep");
    browser.await("actuals", () -> !browser.cells("Wren Halloway").get(0).startsWith("+"));
    assertThat(browser.cells("All reps"))
        .isEqualTo(figures(sheet.at("/totals"), sheet.get("total")));
    int compared = 0;
    for (JsonNode row : sheet.get("rows")) {
      String name = row.at("/whole/name").asString();
      if (browser.rowTitles().contains(name)) {
        assertThat(browser.cells(name))
            .as(name)
            .isEqualTo(figures(row.get("cells"), row.get("whole")));
        compared++;
      }
    }
    assertThat(compared).isGreaterThan(5);
  }

  private static List<String> figures(JsonNode cells, JsonNode whole) {
    List<String> figures = new ArrayList<>();
    cells.forEach(cell -> figures.add(cell.isNull() ? "–" : plain(cell.get("actual").asString())));
    figures.add(plain(whole.get("actual").asString()));
    return figures;
  }

  private static String plain(String amount) {
    return amount.replace('-', '−');
  }

  @Test
  void screenAndApi_sayTheSame_ofEveryRow() {
    open("/standing?to=2026-09&against=set:quota");
    JsonNode standing = app.json("/api/v1/standing?goalSet=quota&from=2026-09&to=2026-09");
    for (JsonNode row : standing.get("rows")) {
      String name = row.get("name").asString();
      if (browser.rowTitles().contains(name)) {
        String text = browser.row(name).replace(" ", "");
        assertThat(text).as(name).contains(plain(row.get("actual").asString()));
        if (!row.get("variance").isNull()) {
          assertThat(text).contains(plain(row.get("variance").asString()));
          assertThat(text).contains(row.get("percentShown").asString());
        }
      }
    }
  }

  @Test
  void compareTwoReps_onOneLine_andBack() {
    open("/standing?to=2026-10&layout=compare");
    browser.awaitText("Select two to four reps.");
    browser.addMember("Dario");
    browser.option("Dario Venn");
    browser.addMember("Tilda");
    browser.option("Tilda Voss");
    browser.await("both", () -> browser.textOf("Members compared").contains("Tilda Voss"));
    assertThat(browser.textOf("Members compared")).contains("Dario Venn", "South Reach", "91.1");
    browser.await("chart", () -> browser.textOf("% of goal by month").contains("Oct"));
    assertThat(browser.address()).contains("only=R16").contains("only=R17");
    assertThat(browser.axe()).isEmpty();
    browser.buttonLabelled("Compare: ");
    browser.option("these months and last year");
    browser.await("year", () -> browser.textOf("Standings compared").contains("October 2025"));
    browser.back();
    browser.await("members again", () -> browser.textOf("Members compared").contains("Dario Venn"));
  }

  @Test
  void groups_closeByKeyboard_andExplainTheirRows() {
    open("/standing?to=2026-10&group=region&selected=South+Reach/");
    browser.await("close-up", () -> browser.textOf("Close-up").startsWith("South Reach"));
    browser.await("its rows", () -> browser.rowTitles().contains("Tilda Voss"));
    browser.focus("Close South Reach");
    browser.press(Keys.SPACE);
    browser.await("closed", () -> !browser.rowTitles().contains("Tilda Voss"));
    assertThat(browser.address()).contains("folded=South");
    assertThat(browser.axe()).isEmpty();
  }

  @Test
  void everyInsight_leadsToAViewThatShowsItsRowsAndFigures() {
    open("/standing?to=2026-10&selected=R14");
    browser.choose("Reason", "stock-out");
    browser.button("Save note");
    browser.await(
        "the reason among the insights",
        () -> {
          browser.allInsights();
          return browser.text().contains("of the shortfall: stock-out.");
        });
    Set<String> kinds = new TreeSet<>();
    for (String view :
        List.of(
            "/standing?to=2026-10",
            "/standing?to=2026-11",
            "/standing?to=2026-09&span=q",
            "/standing?axis=product&to=2026-10",
            "/standing?to=2026-10&against=set:forecast")) {
      open(view);
      browser.await("insights", () -> !browser.insights().isEmpty());
      browser.allInsights();
      browser.insights().forEach((text, address) -> follow(text, address, kinds));
    }
    assertThat(kinds)
        .containsExactly(
            "drop", "holders", "landing", "near", "no goal", "outside", "part", "reason", "run");
  }

  private static void follow(String text, String address, Set<String> kinds) {
    kinds.add(kindOf(text));
    browser.go(address);
    browser.await("the view of: " + text, () -> !browser.rowTitles().isEmpty());
    List<String> only =
        Stream.of(address.split("[?&]")).filter(part -> part.startsWith("only=")).toList();
    if (!only.isEmpty()) {
      assertThat(browser.rowTitles().stream().filter(row -> !row.startsWith("All ")))
          .as(text)
          .hasSize(only.size());
    }
    Matcher figure = Pattern.compile("([0-9][0-9 ]*(\\.[0-9]+)?) (EUR|%)").matcher(text);
    while (figure.find()) {
      String shown = figure.group(1);
      boolean isAmount = figure.group(3).equals("EUR");
      browser.await(
          "the figure " + figure.group() + " of: " + text,
          () -> {
            String page = browser.bodyWithoutInsights();
            return isAmount ? page.contains(shown) : isShownRounded(shown, page);
          });
    }
  }

  /** Whether some percentage of the page is the rounded one, or says it with more decimals. */
  private static boolean isShownRounded(String percent, String page) {
    return Pattern.compile("([0-9]+(?:\\.[0-9]+)?) %")
        .matcher(page)
        .results()
        .map(found -> new BigDecimal(found.group(1)))
        .anyMatch(
            found ->
                found
                        .setScale(new BigDecimal(percent).scale(), RoundingMode.HALF_UP)
                        .compareTo(new BigDecimal(percent))
                    == 0);
  }

  private static String kindOf(String text) {
    return Stream.of(
            "largest drop=drop",
            "account for=holders",
            "accounts for=holders",
            "projected actual is=landing",
            "of the shortfall: =reason",
            "or less=near",
            "no goal, with=no goal",
            "outside their range=outside",
            "miss.=part",
            "alone misses=part",
            "in a row=run",
            "short of=near",
            "behind=near",
            "over =near")
        .map(rule -> rule.split("="))
        .filter(rule -> text.contains(rule[0]))
        .findFirst()
        .orElseThrow(() -> new AssertionError("an insight of no known kind: " + text))[1];
  }

  @Test
  void savedView_isKeptAndOpened_andOneWhoseGoalsAreGoneSaysSo() {
    open("/standing?axis=product&to=2026-10&lanes=amount");
    browser.buttonLabelled("Saved views");
    browser.type("Name of this view", "Products in euros");
    browser.press(Keys.ENTER);
    browser.awaitText("Products in euros");
    open("/standing?to=2026-10");
    browser.buttonLabelled("Saved views");
    browser.link("Products in euros");
    browser.await("opened", () -> browser.address().contains("axis=product"));
    browser.go("/standing?to=2026-10&against=set:wishes");
    browser.awaitText("\"wishes\" is not a known goal set");
    browser.link("Clear all settings of this view");
    browser.awaitText("October 2026 is");
  }

  @Test
  void unknownMember_isSaid() {
    browser.go("/standing?to=2026-10&only=R99");
    browser.awaitText("\"R99\" is not a known rep");
    open("/standing?to=2026-10&selected=R99");
    browser.awaitText("is not a row of this view");
  }

  private static void open(String path) {
    browser.go(path);
    browser.awaitText("Rows:");
  }
}
