package zealoustarget.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.dhatim.fastexcel.reader.ReadableWorkbook;
import org.dhatim.fastexcel.reader.Row;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.openqa.selenium.Keys;
import tools.jackson.databind.JsonNode;

/**
 * docs/walkthrough.md as it stands: a month from an empty start to its close and a late correction,
 * the same figures read from screen, API, workbook and PDF at every step.
 */
class WorkAMonthIT {
  private static final String OCTOBER = "/api/v1/standing?from=2026-10&to=2026-10&goalSet=quota";

  @TempDir Path folder;
  private App app;
  private Browser browser;

  @Test
  void month_fromEmptyToClosed_withALateCorrection() throws IOException {
    try (App started = App.empty(folder.resolve("data"));
        Browser opened = Browser.open(started)) {
      app = started;
      browser = opened;
      setUp();
      loadWhoAndWhat();
      loadOctober_withItsFaults();
      readOctober();
      changeAGoal();
      payOctober();
      closeOctober();
      correctOctober();
      readNovember();
    }
  }

  private void setUp() {
    browser.go("/rules?show=company");
    browser.fill("Company name", "Reef and Rope");
    browser.fill("Time zone", "Europe/Lisbon");
    browser.select("Numbers", "1,234.50");
    browser.select("Dates", "5 Nov 2026 (day, month, year)");
    browser.button("Save company");
    browser.awaitText("Saved.");
    assertThat(browser.axe()).isEmpty();
  }

  private void loadWhoAndWhat() throws IOException {
    post(
        "roster.csv",
        """
        rep,name,region,manager,from
        K1,Ines Brackwater,North,Tull,2025-07
        K2,Jorun Pike,North,Tull,2025-07
        K3,Sefa Lindmoor,South,Oster,2025-07
        """,
        "Post 3 lines");
    post(
        "products.csv",
        """
        product,name,line
        P10,Mooring line 12 mm,rope
        P30,Flare set,safety
        """,
        "Post 2 lines");
    post(
        "quota.csv",
        """
        month,rep,revenue
        2026-10,K1,1000.00
        2026-10,K2,500.00
        2026-10,K3,400.00
        2026-11,K1,1000.00
        2026-11,K2,500.00
        2026-11,K3,400.00
        """,
        "Post 6 lines");
  }

  private void loadOctober_withItsFaults() throws IOException {
    stage(
        "october.csv",
        """
        date,order,rep,product,revenue,units,customer
        03/10/2026,O-1,K1,P10,"1,100",12,Quay 4
        05/10/2026,O-2,K2,P30,410.50,4,
        06/10/2026,O-3,K8,P10,80.00,1,
        07/10/2026,O-4,K3,P30,3x0.00,2,Quay 4
        09/10/2026,O-5,K2,P10,39.50,1,Harbour inn
        12/10/2026,O-5,K2,P30,60.00,1,Harbour inn
        20/10/2026,O-6,K9,P10,20.00,1,
        30/10/2026,O-7,K3,P10,150.00,3,
        """);
    browser.awaitText("october.csv: 3 lines need attention.");
    browser.button("Create 2 reps");
    browser.await("review", () -> browser.textOf("New members").contains("K8"));
    assertThat(browser.axe()).isEmpty();
    browser.button("Create 2 reps");
    browser.awaitText("october.csv: 1 line needs attention.");
    browser.buttonLabelled("3x0.00");
    browser.press(Keys.chord(Keys.CONTROL, "a"), "300", Keys.ENTER);
    browser.awaitText("october.csv is ready.");
    assertThat(browser.textOf("Reconciliation")).contains("8 lines", "2,160.00");
    browser.button("Post 8 lines");
    browser.awaitText("october.csv is posted.");
  }

  private void readOctober() throws IOException {
    browser.go("/standing?to=2026-10");
    browser.awaitText("October 2026 is 13.7 % ahead of quota.");
    browser.awaitRow("Ines Brackwater", "110.0");
    expect(
        Map.of("Ines Brackwater", "1100.00", "Jorun Pike", "510.00", "Sefa Lindmoor", "450.00"),
        "2160.00");
    browser.button("Jorun Pike");
    browser.await(
        "proof", () -> browser.textOf("Calculation and sources").contains("Actual: 3 lines"));
    browser.button("Orders");
    browser.await("orders", () -> browser.textOf("Orders").contains("O-5"));
    assertThat(browser.textOf("Orders")).contains("2 lines", "99.50", "Harbour inn");
  }

  private void changeAGoal() throws IOException {
    post("quota-change.csv", "month,rep,revenue\n2026-10,K3,500.00\n", "Post 1 line");
    browser.go("/standing?to=2026-10");
    browser.awaitRow("Sefa Lindmoor", "90.0");
    assertThat(app.json(OCTOBER).at("/total/goal").asString()).isEqualTo("2000.00");
    browser.awaitText("October 2026 is 8.0 % ahead of quota.");
  }

  private void payOctober() throws IOException {
    browser.go("/rules?to=2026-10&new=blank");
    browser.awaitText("Enter a name for the plan.");
    browser.fill("Name", "Field");
    for (String rep : List.of("Ines Brackwater", "Jorun Pike", "Sefa Lindmoor")) {
      browser.fill("Name contains", rep);
      browser.button("Add 1 rep");
    }
    browser.button("Save plan");
    browser.await("saved", () -> browser.textOf("Plans").contains("Field"));
    browser.go("/earnings?to=2026-10&selected=K1");
    browser.awaitText("October 2026 pays 64.00 EUR to three reps.");
    browser.await("statement", () -> browser.textOf("Statement").contains("35.00"));
    assertThat(due("2026-10")).isEqualTo(Map.of("K1", "35.00", "K2", "15.50", "K3", "13.50"));
    assertThat(pdf("2026-10")).contains("Reef and Rope", "1,100.00", "35.00");
  }

  private void closeOctober() {
    browser.go("/earnings?to=2026-10&show=seal");
    browser.await("lines", () -> browser.textOf("Open lines").contains("Briefing signed"));
    browser.fill("Reason for waiving", "Told in the meeting");
    browser.buttonContaining("and close October 2026");
    browser.awaitText("October 2026 is closed");
  }

  private void correctOctober() throws IOException {
    stage("late.csv", "date,order,rep,product,revenue,units\n29/10/2026,O-9,K1,P10,-100.00,-1\n");
    browser.awaitText("October 2026, which is closed.");
    browser.button("Post 1 line as a correction");
    browser.awaitText("late.csv is posted.");
    browser.go("/standing?to=2026-10");
    browser.awaitRow("Ines Brackwater", "since close \u2212100.00");
    browser.awaitText("October 2026 is 8.0 % ahead of quota.");
    JsonNode closed = app.json(OCTOBER);
    assertThat(closed.at("/total/actual").asString()).isEqualTo("2160.00");
    assertThat(closed.at("/corrections/actual").asString()).isEqualTo("-100.00");
    expect(Map.of("Ines Brackwater", "1100.00", "Corrections since close", "-100.00"), "2160.00");
    browser.go("/standing?to=2026-10&closed=restated");
    browser.awaitRow("Ines Brackwater", "100.0");
    assertThat(app.json(OCTOBER + "&closed=restated").at("/total/actual").asString())
        .isEqualTo("2060.00");
    expect(Map.of("Ines Brackwater", "1000.00"), "2060.00");
    assertThat(due("2026-10").get("K1")).as("pay as closed").isEqualTo("35.00");
  }

  private void readNovember() throws IOException {
    post(
        "november.csv",
        "date,order,rep,product,revenue,units\n13/11/2026,O-20,K1,P10,900.00,9\n",
        "Post 1 line");
    browser.go("/earnings?to=2026-11&selected=K1");
    browser.await(
        "adjustment",
        () -> browser.textOf("Statement").contains("Adjustment: October 2026 corrected"));
    assertThat(browser.textOf("Statement")).contains("35.00 → 30.00", "\u22125.00", "22.00");
    assertThat(due("2026-11").get("K1")).isEqualTo("22.00");
    assertThat(pdf("2026-11")).contains("35.00 → 30.00", "\u22125.00", "22.00");
    browser.go("/standing?to=2026-12");
    browser.awaitText("December 2026 has no actuals yet.");
  }

  /** The workbook that the page gives and the API's rows say the same. */
  private void expect(Map<String, String> actuals, String total) throws IOException {
    browser.button("Export");
    browser.menuItem("Workbook with formulas (XLSX)");
    Path file = browser.saved("standing rep 2026-10.xlsx");
    Map<String, String> cells = new TreeMap<>();
    try (ReadableWorkbook book = new ReadableWorkbook(file.toFile())) {
      for (Row row : book.getFirstSheet().read()) {
        cells.put(
            row.getCellText(0), row.getCellRawValue(3).map(WorkAMonthIT::twoDecimals).orElse(""));
      }
    }
    Files.delete(file);
    assertThat(cells).containsAllEntriesOf(actuals).containsEntry("All", total);
    String restated = browser.address().contains("restated") ? "&closed=restated" : "";
    JsonNode answer = app.json(OCTOBER + restated);
    assertThat(answer.at("/total/actual").asString()).isEqualTo(total);
    for (JsonNode row : answer.get("rows")) {
      String name = row.get("name").asString();
      assertThat(row.get("actual").asString()).as(name).isEqualTo(cells.get(name));
    }
  }

  private static String twoDecimals(String number) {
    return number.matches("-?[0-9.]+(E[0-9]+)?")
        ? new java.math.BigDecimal(number).setScale(2).toPlainString()
        : number;
  }

  private Map<String, String> due(String month) {
    Map<String, String> due = new TreeMap<>();
    for (JsonNode row : app.json("/api/v1/earnings?month=" + month)) {
      if (!row.get("due").isNull()) {
        due.put(row.get("rep").asString(), row.get("due").asString());
      }
    }
    return due;
  }

  private String pdf(String month) throws IOException {
    byte[] file = app.bytes("/api/v1/earnings/reps/K1/statement.pdf?month=" + month);
    try (PDDocument document = Loader.loadPDF(file)) {
      return new PDFTextStripper().getText(document);
    }
  }

  private void post(String name, String content, String button) throws IOException {
    stage(name, content);
    browser.button(button);
    browser.awaitText(name + " is posted.");
  }

  private void stage(String name, String content) throws IOException {
    browser.go("/intake");
    browser.awaitText("Rules");
    browser.choose(Files.writeString(folder.resolve(name), content));
    browser.awaitText("Discard load");
  }
}
