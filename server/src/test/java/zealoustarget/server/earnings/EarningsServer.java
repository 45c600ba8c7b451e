package zealoustarget.server.earnings;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;
import zealoustarget.server.testing.Api;
import zealoustarget.server.testing.RunningServer;

/** A server with reps on a plan, two months sealed or to be sealed. */
abstract class EarningsServer {
  static final String PLAN =
      """
      {"plans": [{"name": "Field", "measure": "revenue", "window": "%s",
        "floor": {"percent": "0.8"}, "paidFrom": "first unit", "method": "sliced",
        "steps": [{"from": "0", "rate": "0.03"}, {"from": "1", "rate": "0.05"}],
        "bonus": "1500.00", "ceiling": {"amount": "900000.00"}, "negativeDue": "recover",
        "goalSet": "quota", "reps": ["A", "B"]}]}
      """;

  @TempDir Path data;
  RunningServer server;
  Api api;

  @BeforeEach
  void start() {
    server = RunningServer.start(data);
    api = server.api();
    api.put("/api/v1/playbook", "{\"calendar\": {\"startMonth\": 7}}");
    api.loadAndPost(
        "roster.csv",
        """
        rep,name,region,manager,from
        A,Ada Lund,North,M1,2026-01
        B,Bo Lind,North,M1,2026-01
        C,Cleo Ask,South,M2,2026-01
        """,
        "kind",
        "roster");
    api.loadAndPost(
        "quota.csv",
        """
        month,rep,revenue
        2026-07,A,1000.00
        2026-08,A,1000.00
        2026-09,A,1000.00
        2026-07,B,1000.00
        2026-08,B,1000.00
        2026-09,B,1000.00
        """,
        "kind",
        "goals",
        "goalSet",
        "quota",
        "axis",
        "rep");
    api.loadAndPost(
        "sold.csv",
        """
        date,order,rep,revenue
        2026-07-03,1,A,1200.00
        2026-07-04,2,B,500.00
        2026-08-03,3,A,900.00
        2026-08-04,4,B,1000.00
        2026-08-05,5,C,70.00
        """,
        "kind",
        "actuals");
  }

  @AfterEach
  void stop() {
    server.close();
  }

  void plan(String window) {
    assertThat(api.put("/api/v1/playbook", PLAN.formatted(window)).status()).isEqualTo(200);
  }

  JsonNode row(String month, String rep) {
    for (JsonNode row : api.get("/api/v1/earnings?month=" + month).json()) {
      if (row.get("rep").asString().equals(rep)) {
        return row;
      }
    }
    throw new AssertionError("no row of " + rep);
  }

  int correct(String lines) {
    JsonNode staged =
        api.load("late.csv", "date,order,rep,revenue\n" + lines, "kind", "actuals").json();
    int id = staged.get("id").asInt();
    Api.Answer refused = api.post("/api/v1/loads/" + id + "/post?mode=correct&sealed=refuse");
    assertThat(refused.status()).isEqualTo(409);
    assertThat(refused.code()).isEqualTo("month-sealed");
    assertThat(refused.json().get("months").get(0).asString()).isEqualTo("2026-07");
    assertThat(api.post("/api/v1/loads/" + id + "/post?mode=correct").status()).isEqualTo(200);
    return id;
  }

  int staged(String lines, String kind) {
    return api.load("staged.csv", lines, "kind", kind).json().get("id").asInt();
  }

  String sealedMonths(int load, String mode) {
    String path = "/api/v1/loads/" + load + "/changes?mode=" + mode;
    return api.get(path).json().get("sealedMonths").toString();
  }

  /** A standing without what it says of corrections since the close. */
  static JsonNode asClosed(JsonNode standing) {
    ObjectNode closed = (ObjectNode) standing.deepCopy();
    closed.remove(List.of("corrections", "headline"));
    for (String part : List.of("rows", "groups")) {
      closed.path(part).forEach(row -> ((ObjectNode) row).remove("correction"));
    }
    return closed;
  }
}
