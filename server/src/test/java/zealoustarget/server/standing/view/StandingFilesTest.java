package zealoustarget.server.standing.view;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.ByteArrayInputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.apache.poi.ss.usermodel.FormulaEvaluator;
import org.apache.poi.ss.usermodel.Row;
import org.apache.poi.ss.usermodel.Sheet;
import org.apache.poi.xssf.usermodel.XSSFWorkbook;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;

/** Orders behind a standing, and the standing as workbook and CSV. */
class StandingFilesTest extends StandingServer {
  @Test
  void orders_areReadAgainstAThresholdPerRep_orTheirOwnGoal() {
    JsonNode ines =
        api.get("/api/v1/standing/rep/K1/orders?threshold=order%20size&" + OCTOBER).json();
    assertThat(text(ines, "per")).isEqualTo("threshold");
    assertThat(ines.get("judged").asInt()).isEqualTo(2);
    assertThat(ines.get("met").asInt()).isEqualTo(1);
    assertThat(text(ines.at("/orders/1"), "why")).isEqualTo("above 40.00, the threshold of Ines");
    JsonNode met =
        api.get("/api/v1/standing/rep/K1/orders?threshold=order%20size&onlyMet=true&" + OCTOBER)
            .json();
    assertThat(texts(met.get("orders"), "amount")).containsExactly("50.00");
    JsonNode plain = api.get("/api/v1/standing/rep/K1/orders?" + OCTOBER).json();
    assertThat(plain.get("per").isNull()).isTrue();
    assertThat(plain.at("/orders/0/isMet").isNull()).isTrue();
    assertThat(api.get("/api/v1/standing/rep/K1/orders?threshold=luck&" + OCTOBER).code())
        .isEqualTo("value-unknown");
    api.loadAndPost(
        "beside.csv",
        "date,rep,product,revenue,revenue goal\n2024-03-01,K1,P1,10.00,12.00\n"
            + "2024-03-02,K1,P1,20.00,20.00\n",
        "kind",
        "actuals",
        "goalSet",
        "per order",
        "axis",
        "rep");
    JsonNode own =
        api.get("/api/v1/standing/rep/K1/orders?goalSet=per%20order&from=2024-03&to=2024-03")
            .json();
    assertThat(text(own, "per")).isEqualTo("own-goal");
    assertThat(texts(own.get("orders"), "why"))
        .containsExactly("below 12.00, its own goal", "exactly 20.00, its own goal");
  }

  @Test
  void linesOfAnOrder_areSummedBeforeTheVerdict_andSayWhatTheirFileSays() {
    api.loadAndPost(
        "shipped.csv",
        "date,order,rep,product,revenue,customer\n2024-05-02,SO-7,K1,P1,30.00,Reef & Co\n"
            + "2024-05-09,SO-8,K1,P1,39.99,\n2024-05-03,so-7,K1,P2,15.00,Reef & Co\n"
            + "2024-05-04,,K1,P1,-5.00,\n",
        "kind",
        "actuals");
    api.loadAndPost(
        "thresholds.csv",
        "month,rep,revenue\n2024-05,K1,40.00\n",
        "kind",
        "goals",
        "goalSet",
        "order size",
        "axis",
        "rep");
    String path = "/api/v1/standing/rep/K1/orders";
    String query = "?threshold=order%20size&from=2024-05&to=2024-05";
    JsonNode orders = api.get(path + query).json();
    assertThat(orders.get("orderCount").asInt()).isEqualTo(3);
    assertThat(orders.get("lineCount").asInt()).isEqualTo(4);
    assertThat(orders.get("met").asInt()).isEqualTo(1);
    JsonNode first = orders.at("/orders/0");
    assertThat(text(first, "order")).isEqualTo("SO-7");
    assertThat(text(first, "date")).isEqualTo("2024-05-02");
    assertThat(text(first, "amount")).isEqualTo("45.00");
    assertThat(first.get("isMet").asBoolean()).isTrue();
    assertThat(first.get("product").isNull()).as("of two products").isTrue();
    assertThat(texts(first.get("lines"), "amount")).containsExactly("30.00", "15.00");
    assertThat(first.at("/lines/1/further/customer").asString()).isEqualTo("Reef & Co");
    assertThat(orders.at("/orders/2/order").isNull()).isTrue();
    assertThat(texts(api.get(path + query + "&sort=-amount&size=2").json().get("orders"), "amount"))
        .containsExactly("45.00", "39.99");
    assertThat(texts(api.get(path + query + "&sort=variance").json().get("orders"), "variance"))
        .containsExactly("-45.00", "-0.01", "5.00");
    assertThat(api.get(path + query + "&sort=luck").code()).isEqualTo("value-unknown");
    assertThat(
            texts(
                api.get(
                        "/api/v1/standing/product/P1/orders?measure=returnRate&goalSet=limits&"
                            + OCTOBER)
                    .json()
                    .get("orders"),
                "amount"))
        .as("of a rate the lines of its numerator, in its own decimals")
        .isNotEmpty()
        .allMatch(amount -> amount.matches("-?[0-9]+\\.[0-9]{2}"));
    String csv = api.raw(api.request(path + ".csv" + query + "&sort=date").GET().build()).body();
    assertThat(csv.lines().toList())
        .hasSize(5)
        .first()
        .asString()
        .endsWith("Goal met,File,Line,customer");
    assertThat(csv)
        .contains("SO-7,2024-05-03,2024-05,Ines,")
        .contains("15.00,45.00,40.00,5.00,yes,shipped.csv,4,Reef & Co");
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "goalSet=quota",
        "goalSet=forecast",
        "goalSet=quota&beside=prior-year",
        "basis=prior-year&factor=1.1",
        "goalSet=quota&group=region",
        "axis=product&measure=returnRate&goalSet=limits",
        "goalSet=quota&text=south"
      })
  void workbook_recomputedFromItsFormulas_saysTheSameAsTheApi(String query) throws Exception {
    JsonNode standing = standing(query + "&" + OCTOBER);
    Map<String, JsonNode> readings = new HashMap<>();
    standing.get("rows").forEach(row -> readings.put(text(row, "key"), row));
    byte[] file = download("/api/v1/standing/export.xlsx?" + query + "&" + OCTOBER);
    try (XSSFWorkbook book = new XSSFWorkbook(new ByteArrayInputStream(file))) {
      FormulaEvaluator evaluator = book.getCreationHelper().createFormulaEvaluator();
      Sheet sheet = book.getSheetAt(0);
      assertThat(sheet.getPaneInformation().isFreezePane()).isTrue();
      List<String> titles = new ArrayList<>();
      sheet.getRow(0).forEach(cell -> titles.add(cell.getStringCellValue()));
      int formulas = 0;
      Map<String, JsonNode> left = new HashMap<>(readings);
      for (int at = 1; at <= sheet.getLastRowNum(); at++) {
        Row row = sheet.getRow(at);
        String key = row.getCell(1) == null ? "" : row.getCell(1).getStringCellValue();
        JsonNode reading = at == 1 ? standing.get("total") : left.remove(key);
        if (reading != null) {
          formulas += same(row, titles, "Actual", reading, "actual", evaluator);
          formulas += same(row, titles, "Variance", reading, "variance", evaluator);
          formulas += same(row, titles, "Variance %", reading, "variancePercent", evaluator);
          formulas += same(row, titles, "Percent-to-goal", reading, "attainment", evaluator);
        }
      }
      assertThat(left).isEmpty();
      assertThat(formulas).isGreaterThan(readings.size());
      assertThat(book.getSheet("About").getRow(0).getCell(1).getStringCellValue())
          .isEqualTo(headline(standing));
    }
  }

  @Test
  void workbookOfMonths_addsUpAcross() throws Exception {
    byte[] file =
        download("/api/v1/standing/export.xlsx?byMonth=true&goalSet=quota&from=2026-09&to=2026-10");
    try (XSSFWorkbook book = new XSSFWorkbook(new ByteArrayInputStream(file))) {
      FormulaEvaluator evaluator = book.getCreationHelper().createFormulaEvaluator();
      Row total = book.getSheetAt(0).getRow(1);
      assertThat(total.getCell(4).getNumericCellValue()).isCloseTo(504.96, within(0.000001));
      assertThat(evaluator.evaluate(total.getCell(4)).getNumberValue())
          .isCloseTo(504.96, within(0.000001));
    }
  }

  @Test
  void csv_isSortedAsTheScreen_andHoldsNoFormula() throws Exception {
    String csv =
        new String(
            download("/api/v1/standing/export.csv?goalSet=quota&sort=-favourable&" + OCTOBER),
            StandardCharsets.UTF_8);
    List<String> lines = csv.lines().toList();
    assertThat(lines.get(0)).startsWith("\ufeffRep,Key,Belongs to,\"Actual, EUR\"");
    assertThat(lines.get(1)).startsWith("All,,,314.96,300.00,14.96,0.049867,1.049867,");
    assertThat(lines.subList(2, 6))
        .extracting(line -> line.split(",")[1])
        .containsExactly("K2", "K3", "K1", "K4");
    assertThat(lines.get(3)).startsWith("'=SUM(A1),K3,South,99.96");
    assertThat(lines.get(6)).startsWith("1 line without a rep,,,5.00");
  }
}
