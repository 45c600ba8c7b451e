package zealoustarget.server.outlook;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.ByteArrayInputStream;
import java.math.BigDecimal;
import java.net.http.HttpClient;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.apache.poi.ss.usermodel.Cell;
import org.apache.poi.ss.usermodel.CellType;
import org.apache.poi.ss.usermodel.FormulaEvaluator;
import org.apache.poi.ss.usermodel.Row;
import org.apache.poi.ss.usermodel.Sheet;
import org.apache.poi.xssf.usermodel.XSSFWorkbook;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import zealoustarget.server.testing.Api;
import zealoustarget.server.testing.RunningServer;

/** What an outlook says in files, recomputed from its own formulas. */
class OutlookExportTest {
  private static final String DECEMBER = "?axis=rep&goalSet=quota&from=2026-12&to=2026-12";
  private static RunningServer server;
  private static Api api;

  @BeforeAll
  static void start(@TempDir Path data) {
    server = RunningServer.start(data);
    api = server.api();
    api.loadAndPost(
        "roster.csv",
        "rep,name,region,from\nK1,=1+1,North,2026-01\nK2,Bo,South,2026-01\nK3,Cleo,South,2026-01\n",
        "kind",
        "roster");
    api.loadAndPost(
        "quota.csv",
        "month,rep,revenue\n2026-12,K1,1000.00\n2026-12,K2,500.00\n",
        "kind",
        "goals",
        "goalSet",
        "quota",
        "axis",
        "rep");
    api.loadAndPost(
        "actuals.csv",
        "month,rep,revenue\n2026-12,K1,620.00\n2026-12,K2,700.00\n",
        "kind",
        "actuals");
    api.loadAndPost(
        "deals.csv",
        "deal,rep,revenue,likelihood,closes\nD1,K1,300.00,50,2026-12\nD2,K1,200.00,80,2026-12\n"
            + "D3,K3,99.99,33,2026-12\n",
        "kind",
        "deals",
        "asOf",
        "2026-12-05");
  }

  @AfterAll
  static void stop() {
    server.close();
  }

  private static byte[] download(String ending, String more) throws Exception {
    return HttpClient.newHttpClient()
        .send(
            api.request("/api/v1/outlook/export." + ending + DECEMBER + more).GET().build(),
            BodyHandlers.ofByteArray())
        .body();
  }

  @Test
  void workbook_recomputed_saysWhatTheApiSays() throws Exception {
    JsonNode outlook = api.get("/api/v1/outlook" + DECEMBER).json();
    Map<String, JsonNode> rows = new HashMap<>();
    outlook.get("rows").forEach(row -> rows.put(row.get("key").asString(), row));
    try (XSSFWorkbook book = new XSSFWorkbook(new ByteArrayInputStream(download("xlsx", "")))) {
      FormulaEvaluator evaluator = book.getCreationHelper().createFormulaEvaluator();
      Sheet sheet = book.getSheetAt(0);
      Map<String, Integer> at = new HashMap<>();
      sheet.getRow(0).forEach(cell -> at.put(cell.getStringCellValue(), cell.getColumnIndex()));
      int formulas = 0;
      for (int line = 1; line <= sheet.getLastRowNum(); line++) {
        Row row = sheet.getRow(line);
        String key = line == 1 ? "" : row.getCell(1).getStringCellValue();
        JsonNode said = line == 1 ? outlook.get("total") : rows.get(key);
        Map<String, String> figures =
            Map.of(
                "Expected, EUR", "expected",
                "At best, EUR", "atBest",
                "To go", "toGo",
                "Coverage", "coverage",
                "Likelihood", "likelihood",
                "Likelihood needed", "likelihoodNeeded");
        for (Map.Entry<String, String> figure : figures.entrySet()) {
          Cell cell = row.getCell(at.get(figure.getKey()));
          JsonNode value = said.get(figure.getValue());
          if (value.isNull()) {
            assertThat(cell == null || cell.getCellType() == CellType.BLANK).isTrue();
            continue;
          }
          assertThat(cell.getCellType()).isEqualTo(CellType.FORMULA);
          formulas++;
          assertThat(evaluator.evaluate(cell).getNumberValue())
              .as("%s of %s", figure.getKey(), key)
              .isCloseTo(new BigDecimal(value.asString()).doubleValue(), within(0.000001));
        }
      }
      assertThat(formulas).isGreaterThan(12);
      assertThat(book.getSheet("About").getRow(4).getCell(1).getStringCellValue())
          .isEqualTo("2026-12-05");
    }
  }

  @Test
  void csv_holdsGroupsAndNoFormula() throws Exception {
    List<String> lines =
        new String(download("csv", "&group=region"), StandardCharsets.UTF_8).lines().toList();
    assertThat(lines.get(0)).startsWith("\ufeffRep,ID,Belongs to,Group,\"Actual, EUR\"");
    assertThat(lines.get(1)).startsWith("All,,,,1320.00,1500.00,");
    assertThat(lines)
        .anyMatch(line -> line.startsWith("'=1+1,K1,North,North,620.00,1000.00,380.00,2,"));
    assertThat(lines).anyMatch(line -> line.startsWith("South,South,"));
  }

  @Test
  void deals_areTriedAtOtherLikelihoods_orLeftOut_andNothingIsKept() {
    JsonNode before = api.get("/api/v1/outlook" + DECEMBER).json();
    JsonNode likelier = api.get("/api/v1/outlook" + DECEMBER + "&tryDeal=D1:1").json();
    assertThat(row(likelier, "K1").get("weighted").asString()).isEqualTo("460.00");
    assertThat(row(likelier, "K1").get("expectedStatus").asString()).isEqualTo("reached");
    assertThat(row(before, "K1").get("expectedStatus").asString()).isEqualTo("near");
    assertThat(likelier.at("/tried/0").asString()).isEqualTo("D1 at 100 %");
    JsonNode without =
        api.get("/api/v1/outlook" + DECEMBER + "&tryDeal=d1:out&tryDeal=D2:0.805").json();
    assertThat(row(without, "K1").get("open").asString()).isEqualTo("200.00");
    assertThat(row(without, "K1").get("weighted").asString()).isEqualTo("161.00");
    assertThat(row(without, "K1").get("deals").asInt()).isEqualTo(1);
    assertThat(without.at("/tried/0").asString()).isEqualTo("D1 left out");
    assertThat(api.get("/api/v1/outlook" + DECEMBER).json()).isEqualTo(before);
    for (String wrong : List.of("D1", "D1:2", "D1:-0.1", "D1:much", ":0.5")) {
      assertThat(api.get("/api/v1/outlook" + DECEMBER + "&tryDeal=" + wrong).code())
          .as(wrong)
          .isEqualTo("value-unknown");
    }
    assertThat(api.get("/api/v1/outlook" + DECEMBER + "&tryDeal=D9:0.5").code())
        .isEqualTo("deal-unknown");
  }

  private static JsonNode row(JsonNode outlook, String key) {
    for (JsonNode row : outlook.get("rows")) {
      if (row.get("key").asString().equals(key)) {
        return row;
      }
    }
    throw new AssertionError("no row " + key);
  }
}
