package zealoustarget.server.goals;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import zealoustarget.server.testing.Api;
import zealoustarget.server.testing.RunningServer;

/** Goal sets renamed, retired and compared; drafts side by side and handed on. */
class GoalSetsTest {
  private static final String SETS = "/api/v1/goals/";
  private static final String STANDING = "/api/v1/standing?axis=rep&to=2026-07&goalSet=";

  @TempDir Path data;
  private RunningServer server;
  private Api api;

  @BeforeEach
  void start() {
    server = RunningServer.start(data);
    api = server.api();
    api.put("/api/v1/rules", "{\"calendar\": {\"startMonth\": 7}}");
    api.loadAndPost(
        "roster.csv",
        "rep,name,region,manager,from\nA,Ada Lund,North,M1,2025-01\nB,Bo Lind,North,M1,2025-01\n",
        "kind",
        "roster");
    goals("quota", "month,rep,revenue\n2026-07,A,1000.00\n2026-08,A,500.00\n2026-07,B,500.00\n");
    goals("stretch", "month,rep,revenue\n2025-07,A,2000.00\n2026-07,A,900.00\n");
    api.loadAndPost(
        "sold.csv",
        "month,rep,revenue\n2025-07,A,800.00\n2025-08,A,1600.00\n2025-08,B,300.00\n"
            + "2026-07,A,1000.00\n2026-07,B,450.00\n",
        "kind",
        "actuals");
  }

  private void goals(String set, String lines) {
    api.loadAndPost(set + ".csv", lines, "kind", "goals", "goalSet", set, "axis", "rep");
  }

  @AfterEach
  void stop() {
    server.close();
  }

  private Api.Answer set(String name, String body) {
    return api.put(SETS + name + "/set", body);
  }

  private JsonNode known(String name) {
    return api.get("/api/v1/company")
        .json()
        .get("goalSets")
        .valueStream()
        .filter(set -> set.get("name").asString().equals(name))
        .findFirst()
        .orElse(null);
  }

  private void draft(int slot, String key, String month, String amount) {
    String body =
        "{\"year\":2027,\"cells\":[{\"key\":\"%s\",\"month\":\"%s\",\"amount\":\"%s\"}]}"
            .formatted(key, month, amount);
    assertThat(api.put(SETS + "quota/draft?draft=" + slot, body).status()).isEqualTo(200);
  }

  @Test
  void aRename_takesGoalsDraftsAndViewsWithIt_alsoOverARestart() {
    draft(1, "A", "2026-09", "700.00");
    api.put(
        "/api/v1/views/mine",
        "{\"address\": \"/standing?against=set%3Aquota&beside=set%3Astretch&text=quota\"}");
    JsonNode before = api.get(STANDING + "quota").json().get("rows");
    assertThat(set("quota", "{\"name\": \"Quota 2027\"}").json().get("name").asString())
        .isEqualTo("Quota 2027");
    assertThat(api.get(STANDING + "Quota+2027").json().get("rows")).isEqualTo(before);
    assertThat(api.get(STANDING + "quota").code()).isEqualTo("value-unknown");
    assertThat(api.get("/api/v1/views").json().toString())
        .contains("against=set%3AQuota+2027&beside=set%3Astretch&text=quota");
    String desk = SETS + "Quota%202027/desk?year=2027";
    assertThat(api.get(desk).json().at("/draft/changed").asInt()).isEqualTo(1);
    stop();
    server = RunningServer.start(data);
    api = server.api();
    assertThat(api.get(STANDING + "Quota+2027").json().get("rows")).isEqualTo(before);
    assertThat(api.get("/api/v1/audit?text=Quota").json().toString()).contains("named Quota 2027");
  }

  @Test
  void aNameThatIsInUse_staysAndTheRefusalSaysByWhat() {
    assertThat(set("quota", "{\"name\": \"STRETCH\"}").code()).isEqualTo("goal-set-exists");
    assertThat(set("nothing", "{\"name\": \"a\"}").code()).isEqualTo("goal-set-unknown");
    assertThat(set("quota", "{}").code()).isEqualTo("value-missing");
    assertThat(set("quota", "{\"name\": \" \"}").code()).isEqualTo("value-missing");
    assertThat(set("quota", "{\"name\": \"QUOTA\"}").status())
        .as("only its letters")
        .isEqualTo(200);
    api.put(
        "/api/v1/rules",
        """
        {"ladders": [{"measure": "revenue", "goalSet": "stretch", "scale": "percent-to-goal",
          "rungs": [{"name": "low", "tone": "bad"},
            {"name": "high", "tone": "good", "from": "1"}]}]}
        """);
    Api.Answer refused = set("stretch", "{\"name\": \"other\"}");
    assertThat(refused.code()).isEqualTo("goal-set-in-use");
    assertThat(refused.json().get("detail").asString()).contains("status thresholds");
    api.post("/api/v1/months/2026-07/seal");
    api.put(
        "/api/v1/rules",
        "{\"ladders\": [{\"measure\": \"revenue\", \"goalSet\": \"stretch\", \"remove\": true}]}");
    assertThat(set("stretch", "{\"name\": \"other\"}").json().get("detail").asString())
        .contains("the closed month 2026-07");
    JsonNode closed = api.get(STANDING + "QUOTA").json().get("rows");
    assertThat(set("QUOTA", "{\"name\": \"targets\"}").status()).isEqualTo(200);
    assertThat(api.get(STANDING + "targets").json().get("rows"))
        .as("a closed month reads as it did")
        .isEqualTo(closed);
  }

  @Test
  void aRetiredSet_isMarked_keepsItsGoals_andCanBeTakenBack() {
    JsonNode before = api.get(STANDING + "quota").json().get("rows");
    assertThat(set("quota", "{\"isRetired\": true}").status()).isEqualTo(200);
    assertThat(known("quota").get("isRetired").asBoolean()).isTrue();
    assertThat(api.get(STANDING + "quota").json().get("rows")).isEqualTo(before);
    assertThat(set("quota", "{\"isRetired\": false}").status()).isEqualTo(200);
    assertThat(known("quota").get("isRetired").asBoolean()).isFalse();
  }

  @Test
  void draftsStandSideBySide_andCountNowhereUntilOneIsApplied() {
    draft(1, "A", "2026-07", "1100.00");
    draft(2, "A", "2026-07", "2000.00");
    draft(2, "B", "2026-09", "100.00");
    JsonNode compared =
        api.get(
                SETS
                    + "quota/compared?year=2027&draft=2&with=draft:1&with=stands"
                    + "&with=set:2026:stretch&with=last-year")
            .json();
    assertThat(compared.get("columns").valueStream().map(one -> one.get("name").asString()))
        .containsExactly(
            "Draft 2", "Draft 1", "As it stands", "stretch, FY 2026", "Last year’s actuals");
    assertThat(compared.at("/columns/0/changed").asInt()).isEqualTo(2);
    assertThat(compared.at("/columns/1/sentence").asString()).contains("Ada Lund moves to near");
    assertThat(amounts(compared, 0))
        .containsExactly("3100.00", "2100.00", "2000.00", "2000.00", "2700.00");
    assertThat(amounts(compared, 1))
        .containsExactly("2500.00", "1600.00", "1500.00", "2000.00", "2400.00");
    assertThat(compared.at("/rows/1/cells/2/change").asString()).isEqualTo("66.7");
    assertThat(compared.at("/rows/2/cells/3/amount").isNull()).isTrue();
    assertThat(api.get(SETS + "quota/desk?year=2027&draft=2").json().get("drafts").toString())
        .isEqualTo("[1,2]");
    assertThat(api.post(SETS + "quota/draft/apply?draft=2", "{\"year\": 2027}").status())
        .isEqualTo(200);
    assertThat(api.get(SETS + "quota/desk?year=2027").json().at("/draft/stale/0").asString())
        .as("the other draft is told that its ground has moved")
        .contains("Ada Lund, 2026-07 was changed since");
  }

  private static List<String> amounts(JsonNode compared, int row) {
    return compared
        .at("/rows/" + row + "/cells")
        .valueStream()
        .map(cell -> cell.get("amount").asString())
        .toList();
  }

  @Test
  void theProjectedYear_isTheYearSoFarTimesLastYearsProportion() {
    JsonNode compared = api.get(SETS + "quota/compared?year=2027&with=projected").json();
    // Ada: 1 000.00 in July of 800.00 then, of 2 400.00 in the year; Bo had nothing in July
    assertThat(compared.at("/rows/1/cells/1/amount").asString()).isEqualTo("3000.00");
    assertThat(compared.at("/rows/2/cells/1/amount").isNull()).isTrue();
    for (String wrong : List.of("with=draft:4", "with=set:2026:nothing", "with=more")) {
      assertThat(api.get(SETS + "quota/compared?year=2027&" + wrong).code())
          .isEqualTo("value-unknown");
    }
    String five = "&with=stands".repeat(5).substring(1);
    assertThat(api.get(SETS + "quota/compared?year=2027&" + five).code())
        .isEqualTo("value-unknown");
  }

  @Test
  void aDraftIsHandedToAnotherAnalyst() {
    draft(1, "A", "2026-07", "1100.00");
    Api second = server.as("analyst", null);
    String other = "analyst 1";
    server.as("approver", null);
    String hand = SETS + "quota/draft/hand";
    for (String to : List.of("nobody", "approver 2", Api.NAME)) {
      assertThat(api.post(hand, "{\"year\": 2027, \"to\": \"" + to + "\"}").code())
          .as(to)
          .isEqualTo("value-unknown");
    }
    Api.Answer handed = api.post(hand, "{\"year\": 2027, \"to\": \"" + other + "\"}");
    assertThat(handed.json().get("draft").asInt()).isEqualTo(1);
    assertThat(handed.json().at("/desk/draft").isNull()).isTrue();
    assertThat(second.get(SETS + "quota/desk?year=2027").json().at("/draft/changed").asInt())
        .isEqualTo(1);
    assertThat(api.post(hand, "{\"year\": 2027, \"to\": \"" + other + "\"}").code())
        .isEqualTo("draft-empty");
    for (int more = 0; more < 2; more++) {
      draft(1, "A", "2026-07", "1200.00");
      assertThat(api.post(hand, "{\"year\": 2027, \"to\": \"" + other + "\"}").status())
          .isEqualTo(200);
    }
    draft(1, "A", "2026-07", "1300.00");
    assertThat(api.post(hand, "{\"year\": 2027, \"to\": \"" + other + "\"}").code())
        .isEqualTo("drafts-full");
  }
}
