package zealoustarget.server.earnings;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import zealoustarget.server.ledger.sealing.SealLinks;
import zealoustarget.server.platform.Sha256;
import zealoustarget.server.platform.storage.Packed;
import zealoustarget.server.testing.Api;
import zealoustarget.server.testing.MigrationRun;
import zealoustarget.server.testing.RunningServer;
import zealoustarget.server.testing.SealedFiles;

/** What a sealed month shows comes from its seal, whatever the rules become. */
class SealedRulesTest {
  private static final List<String> VIEWS =
      List.of(
          "/api/v1/standing?from=2026-09&measure=revenue&goalSet=quota",
          "/api/v1/standing?from=2026-09&measure=revenue&goalSet=quota&axis=region",
          "/api/v1/standing?from=2026-09&measure=yield",
          "/api/v1/standing/rep/K1/proof?from=2026-09&measure=yield",
          "/api/v1/standing/rep/K1/close-up?from=2026-09&measure=revenue&goalSet=quota",
          "/api/v1/earnings?month=2026-09",
          "/api/v1/standing/claims?from=2026-09&measure=revenue&goalSet=quota");

  private static void fill(Api api) {
    assertThat(
            api.put(
                    "/api/v1/playbook",
                    """
                    {"measures": [
                      {"code": "visits", "unit": "count", "scale": 0, "direction": "HIGHER"},
                      {"code": "yield", "direction": "HIGHER", "quotient": ["revenue", "visits"]},
                      {"code": "share", "direction": "HIGHER", "quotient": ["visits", "revenue"]}]}
                    """)
                .status())
        .isEqualTo(200);
    api.loadAndPost(
        "roster.csv",
        "rep,name,region,from\nK1,Ines,North,2026-01\nK2,Bo,South,2026-01\n",
        "kind",
        "roster");
    api.loadAndPost(
        "quota.csv",
        "month,rep,revenue\n2026-09,K1,100.00\n2026-09,K2,100.00\n2026-10,K1,100.00\n",
        "kind",
        "goals",
        "goalSet",
        "quota",
        "axis",
        "rep");
    api.loadAndPost(
        "lines.csv",
        "month,order,rep,revenue,visits\n2026-09,a,K1,120.00,4\n2026-09,b,K2,80.00,4\n"
            + "2026-10,c,K1,50.00,4\n",
        "kind",
        "actuals");
  }

  private static String september(Api api) {
    return api.get("/api/v1/months?year=2026&measure=revenue&goalSet=quota")
        .json()
        .get("months")
        .valueStream()
        .filter(month -> month.get("month").asString().equals("2026-09"))
        .findFirst()
        .orElseThrow()
        .get("reading")
        .toString();
  }

  private static List<String> shown(Api api) {
    return VIEWS.stream().map(view -> api.get(view).json().toString()).toList();
  }

  private static void changeRules(Api api) {
    assertThat(
            api.put(
                    "/api/v1/playbook",
                    """
                    {"measures": [
                      {"code": "revenue", "unit": "EUR", "scale": 2, "direction": "LOWER"},
                      {"code": "yield", "direction": "LOWER", "quotient": ["visits", "revenue"]}],
                     "ladders": [{"measure": "revenue", "scale": "percent-to-goal", "rungs": [
                       {"name": "low", "tone": "good"},
                       {"name": "high", "tone": "bad", "from": "0.5", "bound": "above"}]}]}
                    """)
                .json()
                .toString())
        .contains("\"high\"");
  }

  @Test
  void sealedMonth_isShownByTheRulesOfItsSeal(@TempDir Path data) {
    try (RunningServer server = RunningServer.start(data)) {
      Api api = server.api();
      fill(api);
      assertThat(api.post("/api/v1/months/2026-09/seal").status()).isEqualTo(200);
      List<String> before = shown(api);
      String month = september(api);
      String open = api.get(VIEWS.get(0).replace("-09", "-10")).json().toString();
      changeRules(api);
      assertThat(shown(api)).isEqualTo(before);
      assertThat(september(api)).isEqualTo(month);
      assertThat(api.get(VIEWS.get(0).replace("-09", "-10")).json().toString())
          .as("an open month follows the rules in force")
          .isNotEqualTo(open);
    }
  }

  /**
   * The first form held ladders and commission only; both earlier ones had no digest of rows, and
   * their standings as they were answered.
   */
  @ParameterizedTest
  @ValueSource(ints = {1, 2})
  void sealOfAnEarlierForm_isStillRead(int form, @TempDir Path data) throws Exception {
    List<String> before;
    try (RunningServer server = RunningServer.start(data)) {
      fill(server.api());
      assertThat(server.api().post("/api/v1/months/2026-09/seal").status()).isEqualTo(200);
      before = shown(server.api());
    }
    byte[] first =
        "{\"ladders\": [], \"plans\": [], \"assignments\": [], \"credits\": []}"
            .getBytes(StandardCharsets.UTF_8);
    try (Connection connection =
            DriverManager.getConnection("jdbc:h2:file:" + data.resolve("zealous"), "sa", "");
        PreparedStatement read =
            connection.prepareStatement("select statements, rules, posted_loads from seal");
        PreparedStatement update =
            connection.prepareStatement(
                "update seal set form = ?, rules = ?, figures = ?, posted_loads = ?, checksum = ?,"
                    + " previous_hash = null")) {
      var row = read.executeQuery();
      row.next();
      byte[] rules = form == 1 ? first : row.getBytes(2);
      byte[] figures = Packed.deflated(Map.of("quota\nrevenue", Map.of("rows", List.of())));
      update.setInt(1, form);
      update.setBytes(2, rules);
      update.setBytes(3, figures);
      update.setString(4, row.getString(3).split("#", -1)[0]);
      update.setString(5, Sha256.of(rules, row.getBytes(1), figures));
      update.executeUpdate();
      MigrationRun.of(SealLinks.migrations(), connection);
    }
    try (RunningServer server = RunningServer.start(data)) {
      assertThat(server.api().get("/api/v1/record").json().get("faults")).isEmpty();
      assertThat(shown(server.api())).isEqualTo(before);
      assertThat(SealedFiles.of(server.api(), "2026-09").get("standings.json").at("/0/goalSet"))
          .hasToString("\"quota\"");
    }
  }
}
