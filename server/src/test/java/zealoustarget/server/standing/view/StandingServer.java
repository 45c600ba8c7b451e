package zealoustarget.server.standing.view;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.apache.poi.ss.usermodel.Cell;
import org.apache.poi.ss.usermodel.CellType;
import org.apache.poi.ss.usermodel.FormulaEvaluator;
import org.apache.poi.ss.usermodel.Row;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import zealoustarget.server.testing.Api;
import zealoustarget.server.testing.RunningServer;

/**
 * A server with a company of a few reps, ranges, rates and orders, for what the desk asks of it.
 */
abstract class StandingServer {
  static final String OCTOBER = "from=2026-10&to=2026-10&asOf=none";

  @TempDir static Path data;
  static RunningServer server;
  static Api api;
  static int late;

  @BeforeAll
  static void start() {
    server = RunningServer.start(data);
    api = server.api();
    put(
        """
        {"calendar": {"startMonth": 7, "holidays": ["2026-11-11"]},
         "measures": [
           {"code": "returns", "unit": "EUR", "scale": 2, "direction": "LOWER"},
           {"code": "returnRate", "quotient": ["returns", "revenue"], "direction": "LOWER"}]}
        """);
    api.loadAndPost(
        "roster.csv",
        "rep,name,region,manager,from\nK1,Ines,North,Tull,2025-01\nK2,Jorun,North,Oster,2025-01\n"
            + "K3,=SUM(A1),South,Oster,2025-01\nK4,Mads,South,Oster,2025-01\n",
        "kind",
        "roster");
    api.loadAndPost(
        "products.csv", "product,name,line\nP1,Cleat,deck\nP2,Rope,rigging\n", "kind", "products");
    api.loadAndPost(
        "orders.csv",
        "date,rep,product,revenue,returns\n"
            + "2025-10-05,K1,P1,40.00,0\n2025-10-06,K1,P2,60.00,0\n2025-10-07,K2,P1,80.00,0\n"
            + "2026-09-01,K1,P1,90.00,1.00\n2026-09-01,K2,P1,100.00,0\n"
            + "2026-10-01,K1,P1,30.00,1.00\n2026-10-02,K1,P2,50.00,0\n"
            + "2026-10-03,K2,P1,120.00,3.60\n2026-10-04,K3,P1,99.96,0\n2026-10-05,K4,P2,7.00,0\n"
            + "2026-10-06,,P1,5.00,0\n"
            + "2026-11-02,K1,P1,20.00,0\n2026-11-12,K2,P2,30.00,0\n",
        "kind",
        "actuals");
    goals(
        "quota",
        "rep",
        "month,rep,revenue\n2026-09,K1,100\n2026-09,K2,100\n2026-10,K1,100\n"
            + "2026-10,K2,100\n2026-10,K3,100\n2026-11,K1,100\n2026-12,K1,150\n");
    goals(
        "forecast",
        "rep",
        "month,rep,revenue.low,revenue.high\n2026-10,K1,90,110\n"
            + "2026-10,K2,90,110\n2026-10,K3,90,110\n");
    goals("plan", "region", "month,region,revenue\n2026-10,North,180\n2026-10,South,120\n");
    goals("limits", "product", "month,product,returnRate\n2026-10,P1,1.5%\n2026-10,P2,0.01\n");
    goals("order size", "rep", "month,rep,revenue\n2026-10,K1,40\n2026-10,K2,200\n");
    late =
        api.loadAndPost(
            "late.csv", "date,rep,product,revenue\n2026-10-30,K4,P1,3.00\n", "kind", "actuals");
  }

  static void goals(String set, String axis, String csv) {
    api.loadAndPost(set + ".csv", csv, "kind", "goals", "goalSet", set, "axis", axis);
  }

  static void put(String rules) {
    assertThat(api.put("/api/v1/playbook", rules).status()).isEqualTo(200);
  }

  @AfterAll
  static void stop() {
    server.close();
  }

  static String assigned(JsonNode closeUp, String set, String field) {
    for (JsonNode one : closeUp.get("assigned")) {
      if (one.get("goalSet").asString().equals(set)) {
        return one.get(field).asString();
      }
    }
    throw new AssertionError("no " + set);
  }

  static String write(String axis, String key, String month, String body, int status) {
    Api.Answer answer = api.put("/api/v1/notes/" + axis + "/" + key + "/" + month, body);
    assertThat(answer.status()).as("%s", answer.json()).isEqualTo(status);
    return status == 204 ? null : answer.code();
  }

  /** Compares one cell with the wire, to the sixth place where that is no exact decimal. */
  static int same(
      Row row,
      List<String> titles,
      String title,
      JsonNode reading,
      String field,
      FormulaEvaluator evaluator) {
    int at = -1;
    for (int i = 0; i < titles.size() && at < 0; i++) {
      at = titles.get(i).equals(title) || titles.get(i).startsWith(title + ",") ? i : -1;
    }
    Cell cell = row.getCell(at);
    JsonNode value = reading.get(field);
    boolean isEmpty = cell == null || cell.getCellType() == CellType.BLANK;
    assertThat(isEmpty).as("%s of %s", title, reading).isEqualTo(value.isNull());
    if (isEmpty) {
      return 0;
    }
    assertThat(cell.getNumericCellValue())
        .as("without calculating: %s of %s", title, reading)
        .isCloseTo(Double.parseDouble(value.asString()), within(0.0000011));
    assertThat(evaluator.evaluate(cell).getNumberValue())
        .as("%s of %s", title, reading)
        .isCloseTo(Double.parseDouble(value.asString()), within(0.0000011));
    return cell.getCellType() == CellType.FORMULA ? 1 : 0;
  }

  static byte[] download(String path) throws IOException, InterruptedException {
    var answer =
        HttpClient.newHttpClient().send(api.request(path).build(), BodyHandlers.ofByteArray());
    assertThat(answer.statusCode()).isEqualTo(200);
    assertThat(answer.headers().firstValue("Content-Disposition").orElse(""))
        .contains("attachment");
    return answer.body();
  }

  static JsonNode standing(String query) {
    Api.Answer answer = api.get("/api/v1/standing?" + query);
    assertThat(answer.status()).as("%s", answer.json()).isEqualTo(200);
    return answer.json();
  }

  static JsonNode row(JsonNode standing, String key) {
    for (JsonNode row : standing.get("rows")) {
      if (row.get("key").asString().equals(key)) {
        return row;
      }
    }
    throw new AssertionError("no row " + URLEncoder.encode(key, StandardCharsets.UTF_8));
  }

  static String headline(JsonNode standing) {
    return String.join("", texts(standing.get("headline"), "text"));
  }

  static String text(JsonNode node, String field) {
    return node.get(field).asString();
  }

  static List<String> texts(JsonNode list, String field) {
    List<String> texts = new ArrayList<>();
    list.forEach(node -> texts.add((field == null ? node : node.get(field)).asString()));
    return texts;
  }
}
