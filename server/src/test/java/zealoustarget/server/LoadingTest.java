package zealoustarget.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import zealoustarget.server.testing.Api;
import zealoustarget.server.testing.RunningServer;

/** Files of every kind and fault on their way in and out, over HTTP. */
class LoadingTest {
  private static final String ROSTER =
      "rep,name,region,manager,from\nK1,Ines,North,Tull,2025-01\nK2,Jorun,South,Oster,2025-01\n";
  private static final String ACTUALS =
      "month,rep,revenue\n2026-10,K1,1000.00\n2026-10,K2,500.50\n";
  private static final String OCTOBER = "/api/v1/standing?from=2026-10&goalSet=quota";

  @TempDir Path data;
  private RunningServer server;
  private Api api;

  @BeforeEach
  void start() {
    server = RunningServer.start(data);
    api = server.api();
  }

  @AfterEach
  void stop() {
    server.close();
  }

  @Test
  void form_withoutOrWithWrongValues_namesTheAllowedOnes() {
    assertThat(api.load("f.csv", ACTUALS).code()).isEqualTo("value-missing");
    Api.Answer kind = api.load("f.csv", ACTUALS, "kind", "sales");
    assertThat(kind.code()).isEqualTo("value-unknown");
    assertThat(kind.json().get("allowed").toString())
        .isEqualTo("[\"actuals\",\"goals\",\"roster\",\"products\",\"deals\"]");
    assertThat(api.load("f.csv", ACTUALS, "kind", "goals", "axis", "rep").code())
        .isEqualTo("value-missing");
    assertThat(api.load("f.csv", ACTUALS, "kind", "goals", "goalSet", "q", "axis", "x").code())
        .isEqualTo("value-unknown");
    assertThat(api.load("f.csv", ACTUALS, "kind", "actuals", "measure", "joy").code())
        .isEqualTo("value-unknown");
    assertThat(api.load("f.csv", ACTUALS, "kind", "actuals", "mapping", "[1]").code())
        .isEqualTo("mapping-unreadable");
    assertThat(api.load("f.csv", ACTUALS, "kind", "actuals", "controlTotal", "lots").code())
        .isEqualTo("control-total-unreadable");
    assertThat(api.load("f.csv", ACTUALS, "kind", "actuals", "controlTotal", "units=5").code())
        .isEqualTo("control-total-unreadable");
    assertThat(api.get("/api/v1/loads").json()).isEmpty();
  }

  @Test
  void lineNumbers_areThoseOfTheFile_aRecordOverSeveralByItsFirst() {
    api.loadAndPost("roster.csv", ROSTER, "kind", "roster");
    Api.Answer staged =
        api.load(
            "f.csv",
            "month,remark,rep,revenue\n2026-10,\"a\nb\",K1,1\n\n2026-10,c,K9,2\n2026-10,\"open,K1,3\n",
            "kind",
            "actuals");
    List<JsonNode> findings = staged.json().get("findings").valueStream().toList();
    assertThat(findings).extracting(f -> f.get("line").asInt()).containsExactly(1, 5, 6);
    assertThat(findings)
        .extracting(f -> f.get("code").asString())
        .containsExactly("column-ignored", "member-unknown", "cut-off");
    assertThat(findings.get(1).get("column").asString()).isEqualTo("rep");
    assertThat(findings.get(1).get("held").asBoolean()).isTrue();
    assertThat(findings.get(1).at("/details/value").asString()).isEqualTo("K9");
  }

  @Test
  void monthThatNobodyMeans_isHeldBack_untilOneNearItIsPosted() {
    api.loadAndPost("roster.csv", ROSTER, "kind", "roster");
    Api.Answer staged = api.load("f.csv", ACTUALS + "2062-10,K1,7\n", "kind", "actuals");
    assertThat(staged.json().get("held").asInt()).isEqualTo(1);
    assertThat(staged.json().at("/findings/0/code").asString()).isEqualTo("month-far");
    assertThat(staged.json().at("/findings/0/column").asString()).isEqualTo("month");
    for (int year : new int[] {2030, 2034, 2038, 2042, 2046, 2050, 2054, 2058}) {
      api.loadAndPost("y.csv", "month,rep,revenue\n" + year + "-10,K1,1\n", "kind", "actuals");
    }
    Api.Answer near = api.load("f.csv", "month,rep,revenue\n2062-10,K1,7\n", "kind", "actuals");
    assertThat(near.json().get("ready").asInt()).as("%s", near).isEqualTo(1);
  }

  @Test
  void heldLines_mustBeLeftExpressly() {
    api.loadAndPost("roster.csv", ROSTER, "kind", "roster");
    int id = id(api.load("f.csv", ACTUALS + "2026-10,K9,7\n", "kind", "actuals"));
    Api.Answer refused = api.post("/api/v1/loads/" + id + "/post");
    assertThat(refused.status()).isEqualTo(409);
    assertThat(refused.code()).isEqualTo("lines-held");
    assertThat(actual()).isNull();
    assertThat(api.post("/api/v1/loads/" + id + "/post?held=some").status()).isEqualTo(400);
    assertThat(api.post("/api/v1/loads/" + id + "/post?held=leave").text("state"))
        .isEqualTo("posted");
    assertThat(actual()).isEqualTo("1500.50");
    assertThat(api.post("/api/v1/loads/" + id + "/post").code()).isEqualTo("load-not-staged");
    assertThat(api.delete("/api/v1/loads/" + id).code()).isEqualTo("load-not-staged");
  }

  @Test
  void controlTotal_thatDiffers_needsAReason_whichIsKept() {
    api.loadAndPost("roster.csv", ROSTER, "kind", "roster");
    String withTotal = ACTUALS + "Total,,1500.50\n";
    Api.Answer met =
        api.load("a.csv", withTotal, "kind", "actuals", "controlTotal", "revenue=1500.50");
    assertThat(met.json().at("/controlTotal/met").asBoolean()).isTrue();
    assertThat(met.json().at("/leftOut").asInt()).isEqualTo(1);
    Api.Answer unmet =
        api.load("b.csv", ACTUALS, "kind", "actuals", "controlTotal", "revenue=1500.51");
    assertThat(unmet.json().at("/controlTotal/found").asString()).isEqualTo("1500.50");
    String post = "/api/v1/loads/" + id(unmet) + "/post";
    assertThat(api.post(post).code()).isEqualTo("control-total-differs");
    assertThat(api.post(post + "?because=%20").code()).isEqualTo("control-total-differs");
    assertThat(api.post(post + "?because=rounding").text("because")).isEqualTo("rounding");
  }

  @Test
  void sameContentAgain_isFoundAndSaid() {
    api.loadAndPost("roster.csv", ROSTER, "kind", "roster");
    int first = api.loadAndPost("f.csv", ACTUALS, "kind", "actuals");
    Api.Answer again = api.load("renamed.csv", ACTUALS, "kind", "actuals");
    assertThat(again.json().get("sameAs").asInt()).isEqualTo(first);
    assertThat(again.text("sameState")).isEqualTo("posted");
    assertThat(again.json().at("/findings/0/code").asString()).isEqualTo("same-file");
    assertThat(again.json().at("/findings/0/held").asBoolean()).isFalse();
  }

  @Test
  void goals_replaceThoseBefore_reversingBringsThemBack() {
    api.loadAndPost("roster.csv", ROSTER, "kind", "roster");
    api.loadAndPost("f.csv", ACTUALS, "kind", "actuals");
    goals("2026-10,K1,900\n2026-10,K2,600\n");
    int second = goals("2026-10,K1,2000\n");
    assertThat(api.get(OCTOBER).json().at("/total/goal").asString()).isEqualTo("2600.00");
    api.post("/api/v1/loads/" + second + "/reverse");
    assertThat(api.get(OCTOBER).json().at("/total/goal").asString()).isEqualTo("1500.00");
    assertThat(
            api.load(
                    "g.csv",
                    "month,region,revenue\n2026-10,North,5\n",
                    "kind",
                    "goals",
                    "goalSet",
                    "QUOTA",
                    "axis",
                    "region")
                .code())
        .isEqualTo("goal-set-axis");
  }

  @Test
  void rosterInUse_isNotTakenAway_andActualsStagedOnItCannotBePostedWithout() {
    int roster = api.loadAndPost("roster.csv", ROSTER, "kind", "roster");
    int staged = id(api.load("staged.csv", ACTUALS, "kind", "actuals"));
    int actuals = api.loadAndPost("f.csv", ACTUALS + "\n", "kind", "actuals");
    Api.Answer refused = api.post("/api/v1/loads/" + roster + "/reverse");
    assertThat(refused.code()).isEqualTo("load-in-use");
    assertThat(refused.json().get("loads").toString()).isEqualTo("[" + actuals + "]");
    api.post("/api/v1/loads/" + actuals + "/reverse");
    assertThat(api.post("/api/v1/loads/" + roster + "/reverse").status()).isEqualTo(200);
    assertThat(api.post("/api/v1/loads/" + staged + "/post").code()).isEqualTo("members-gone");
    assertThat(api.post("/api/v1/loads/" + actuals + "/reverse").code())
        .isEqualTo("load-not-posted");
  }

  @ParameterizedTest
  @ValueSource(longs = {81, 82})
  void postThenReverse_leavesNoTrace_inAnyOrder(long seed) {
    Random random = new Random(seed);
    api.loadAndPost("roster.csv", ROSTER, "kind", "roster");
    api.loadAndPost("f.csv", ACTUALS, "kind", "actuals");
    goals("2026-10,K1,900\n2026-09,K2,600\n");
    List<String> views =
        List.of(
            OCTOBER,
            "/api/v1/standing?axis=region&from=2026-08&to=2026-10&basis=prior-period",
            "/api/v1/standing?axis=manager&from=2026-10&basis=prior-year&factor=1.2",
            "/api/v1/standing/rep/K1/proof?from=2026-10&goalSet=quota");
    List<String> before = views.stream().map(view -> api.get(view).json().toString()).toList();
    for (int i = 0; i < 6; i++) {
      String line = "2026-" + (random.nextBoolean() ? "10" : "09") + ",K" + (1 + random.nextInt(2));
      int extra =
          random.nextBoolean()
              ? api.loadAndPost(
                  "x.csv",
                  "month,rep,revenue\n" + line + "," + random.nextInt(999) + "\n",
                  "kind",
                  "actuals")
              : goals(line + "," + random.nextInt(999) + "\n");
      api.post("/api/v1/loads/" + extra + "/reverse");
    }
    assertThat(views.stream().map(view -> api.get(view).json().toString()).toList())
        .as("seed %d", seed)
        .isEqualTo(before);
  }

  @Test
  void restart_keepsPostedAndStaged_asTheyWere() {
    api.loadAndPost("roster.csv", ROSTER, "kind", "roster");
    api.loadAndPost("f.csv", ACTUALS, "kind", "actuals");
    goals("2026-10,K1,900\n");
    int staged = id(api.load("late.csv", ACTUALS + "2026-09,K1,5\n", "kind", "actuals"));
    JsonNode standing = api.get(OCTOBER).json();
    server.close();
    start();
    assertThat(api.get(OCTOBER).json()).isEqualTo(standing);
    assertThat(api.post("/api/v1/loads/" + staged + "/post").text("state")).isEqualTo("posted");
  }

  @Test
  void discardedLoad_isGone() {
    int id = id(api.load("roster.csv", ROSTER, "kind", "roster"));
    assertThat(api.delete("/api/v1/loads/" + id).status()).isEqualTo(204);
    assertThat(api.get("/api/v1/loads/" + id).code()).isEqualTo("load-unknown");
  }

  @Test
  void manyFindings_areCounted_andTheFirstThousandTravel() {
    String lines = "2026-10,K9,5\n".repeat(1_200);
    Api.Answer staged = api.load("f.csv", "month,rep,revenue\n" + lines, "kind", "actuals");
    assertThat(staged.json().get("held").asInt()).isEqualTo(1_200);
    assertThat(staged.json().get("findingCount").asInt()).isGreaterThanOrEqualTo(1_200);
    assertThat(staged.json().get("findings")).hasSize(1_000);
    assertThat(api.get("/api/v1/loads").json().get(0).has("findings")).isFalse();
  }

  private int goals(String lines) {
    return api.loadAndPost(
        "goals.csv",
        "month,rep,revenue\n" + lines,
        "kind",
        "goals",
        "goalSet",
        "quota",
        "axis",
        "rep");
  }

  /** October's total, null where no line is posted. */
  private String actual() {
    JsonNode standing = api.get("/api/v1/standing?from=2026-10").json();
    return standing.get("rows").isEmpty() ? null : standing.at("/total/actual").asString();
  }

  private static int id(Api.Answer staged) {
    assertThat(staged.status()).as("%s", staged.json()).isEqualTo(201);
    return staged.json().get("id").asInt();
  }

  @Test
  void tooLargeUpload_isRefusedWithWords(@TempDir Path other) {
    try (RunningServer small = RunningServer.start(other, "zealous.upload-limit=2KB")) {
      byte[] large =
          ("month,rep,revenue\n" + "2026-10,K1,5\n".repeat(500)).getBytes(StandardCharsets.UTF_8);
      Api.Answer answer = small.api().load("big.csv", large, "kind", "actuals");
      assertThat(answer.status()).isEqualTo(413);
      assertThat(answer.code()).isEqualTo("file-too-large");
    }
  }
}
