package zealoustarget.server.earnings;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import zealoustarget.server.testing.Api;
import zealoustarget.server.testing.RunningServer;
import zealoustarget.server.testing.SealedFiles;

/** What a sealed month keeps, and where later corrections are due. */
class SealedEarningsTest extends EarningsServer {
  @Test
  void correctionOfASealedMonth_leavesItsFigures_andIsDueInTheNextOpenOne() {
    plan("month");
    Api.Answer sealed = api.post("/api/v1/months/2026-07/seal");
    assertThat(sealed.status()).as("%s", sealed.json()).isEqualTo(200);
    assertThat(sealed.text("state")).isEqualTo("sealed");
    String standing = "/api/v1/standing?axis=rep&from=2026-07&to=2026-07&goalSet=quota";
    JsonNode before = api.get(standing).json();
    JsonNode statements = api.get("/api/v1/earnings?month=2026-07").json();
    int late = correct("2026-07-03,1,A,1100.00\n");

    assertThat(asClosed(api.get(standing).json())).isEqualTo(asClosed(before));
    assertThat(api.get("/api/v1/earnings?month=2026-07").json()).isEqualTo(statements);
    assertThat(api.get("/api/v1/months/2026-07/seal").text("checksum"))
        .isEqualTo(sealed.text("checksum"));
    JsonNode august = row("2026-08", "A");
    // July: 1,200.00 paid 30.00 + 10.00 + 1,500.00; 1,100.00 would have paid 5.00 less
    assertThat(august.at("/adjustments/0/amount").asString()).isEqualTo("-5.00");
    assertThat(august.get("part").asString()).isEqualTo("27.00");
    assertThat(august.get("due").asString()).isEqualTo("22.00");
    assertThat(row("2026-09", "A").get("adjustments")).isEmpty();

    JsonNode changed = api.get("/api/v1/months/2026-07/changed").json();
    assertThat(changed.get("settledIn").asString()).isEqualTo("2026-08");
    assertThat(changed.at("/reps/0/actualThen").asString()).isEqualTo("1200.00");
    assertThat(changed.at("/reps/0/actualNow").asString()).isEqualTo("1100.00");
    assertThat(changed.at("/reps/0/adjustment").asString()).isEqualTo("-5.00");
    List<String> lines = new ArrayList<>();
    changed
        .get("lines")
        .forEach(
            line ->
                lines.add(
                    line.get("file").asString()
                        + " "
                        + line.get("line").asInt()
                        + " "
                        + line.get("then").asString("–")
                        + " "
                        + line.get("now").asString("–")));
    assertThat(lines).containsExactly("sold.csv 2 1200.00 –", "late.csv 2 – 1100.00");

    // taken out again, as another correction, everything is as it was
    assertThat(api.post("/api/v1/loads/" + late + "/reverse?sealed=refuse").code())
        .isEqualTo("month-sealed");
    assertThat(api.post("/api/v1/loads/" + late + "/reverse?sealed=correct").status())
        .isEqualTo(200);
    assertThat(row("2026-08", "A").get("adjustments")).isEmpty();
    assertThat(api.get("/api/v1/months/2026-07/changed").json().get("lines")).isEmpty();
  }

  @Test
  void sealedMonth_staysSo_overARestart_alsoWithoutTheLoadsThatMadeIt() {
    plan("quarter");
    api.post("/api/v1/months/2026-07/seal");
    String standing = "/api/v1/standing?axis=region&from=2026-07&to=2026-07";
    JsonNode before = api.get(standing).json();
    correct("2026-07-03,1,A,700.00\n");
    int sold =
        api.get("/api/v1/loads")
            .json()
            .valueStream()
            .filter(load -> load.get("file").asString().equals("sold.csv"))
            .findFirst()
            .orElseThrow()
            .get("id")
            .asInt();
    assertThat(api.post("/api/v1/loads/" + sold + "/reverse?sealed=correct").status())
        .isEqualTo(200);
    JsonNode august = row("2026-08", "A");
    server.close();
    server = RunningServer.start(data);
    api = server.api();
    assertThat(asClosed(api.get(standing).json())).isEqualTo(asClosed(before));
    assertThat(row("2026-08", "A")).isEqualTo(august);
    assertThat(august.at("/adjustments/0/amount").asString()).isEqualTo("-1540.00");
  }

  @Test
  void lateMoveAndLateGoal_doNotReachASealedMonth() {
    plan("month");
    api.post("/api/v1/months/2026-07/seal");
    String byRegion = "/api/v1/standing?axis=region&to=2026-07&from=2026-07";
    String byManager = "/api/v1/standing?axis=manager&to=2026-07&from=2026-07";
    JsonNode regions = asClosed(api.get(byRegion).json()).get("rows");
    JsonNode managers = asClosed(api.get(byManager).json()).get("rows");
    for (String[] file :
        new String[][] {
          {"moves.csv", "rep,name,region,manager,from\nA,Ada Lund,South,M2,2026-06\n", "roster"},
          {"quota2.csv", "month,rep,revenue\n2026-07,A,2000.00\n", "goals"}
        }) {
      JsonNode staged =
          file[2].equals("goals")
              ? api.load(file[0], file[1], "kind", "goals", "goalSet", "quota", "axis", "rep")
                  .json()
              : api.load(file[0], file[1], "kind", file[2]).json();
      String post = "/api/v1/loads/" + staged.get("id").asInt() + "/post";
      assertThat(api.post(post + "?sealed=refuse").code()).isEqualTo("month-sealed");
      assertThat(api.post(post).status()).isEqualTo(200);
    }
    assertThat(asClosed(api.get(byRegion).json()).get("rows")).isEqualTo(regions);
    assertThat(asClosed(api.get(byManager).json()).get("rows")).isEqualTo(managers);
    assertThat(api.get(byRegion).json().at("/rows/0/correction/actual").asString())
        .as("the move is told beside the closed figure")
        .isEqualTo("-1200.00");
    assertThat(api.get(byRegion).json().at("/corrections/lines").asInt()).isZero();
    JsonNode august =
        api.get("/api/v1/standing?axis=region&to=2026-08&from=2026-08").json().get("rows");
    assertThat(august.valueStream().map(row -> row.get("key").asString() + row.get("actual")))
        .containsExactlyInAnyOrder("North\"1000.00\"", "South\"970.00\"");
    // a quota of 2,000.00 leaves 1,200.00 under the floor: all of July's 1,540.00 goes back
    assertThat(row("2026-08", "A").at("/adjustments/0/amount").asString()).isEqualTo("-1540.00");
  }

  @Test
  void loadTouchesTheSealedMonthsThatItChanges_andNoOther() {
    api.post("/api/v1/months/2026-07/seal");
    String roster = "rep,name,region,manager,from,mail\nA,Ada L.,North,M1,2026-01,a@b.example\n";
    int again = staged(roster, "roster");
    assertThat(sealedMonths(again, "add")).isEqualTo("[]");
    assertThat(api.post("/api/v1/loads/" + again + "/post?sealed=refuse").status()).isEqualTo(200);
    // an order of August is corrected: July, sealed as well, is not touched
    api.post("/api/v1/months/2026-08/seal");
    int correcting = staged("date,order,rep,revenue\n2026-08-03,3,A,910.00\n", "actuals");
    assertThat(sealedMonths(correcting, "correct")).isEqualTo("[\"2026-08\"]");
    // one of July is booked in September, which is open: July is touched
    int moving = staged("date,order,rep,revenue\n2026-09-03,1,A,1200.00\n", "actuals");
    assertThat(sealedMonths(moving, "correct")).isEqualTo("[\"2026-07\"]");
    int hired = staged("rep,name,region,manager,from\nD,Dag Moe,North,M1,2026-07\n", "roster");
    assertThat(sealedMonths(hired, "add")).startsWith("[\"2026-07\"");
    assertThat(api.post("/api/v1/loads/" + hired + "/post?sealed=refuse").code())
        .isEqualTo("month-sealed");
  }

  @Test
  void productThatMovesToAnotherLine_staysWhereItWas_inSealedMonths_overARestart() {
    api.loadAndPost("lines.csv", "product,name,line\nP,Rope,rigging\n", "kind", "products");
    api.loadAndPost(
        "rope.csv",
        "date,order,rep,product,revenue\n2026-07-20,6,A,P,30.00\n2026-08-20,7,A,P,40.00\n",
        "kind",
        "actuals");
    api.post("/api/v1/months/2026-07/seal");
    String july = "/api/v1/standing?axis=line&to=2026-07&from=2026-07";
    String grouped = "/api/v1/standing?axis=product&group=line&to=2026-07&from=2026-07";
    JsonNode lines = api.get(july).json();
    JsonNode groups = api.get(grouped).json();
    assertThat(lines.at("/rows/0/key").asString()).isEqualTo("rigging");
    api.loadAndPost("moved.csv", "product,name,line\nP,Rope,deck\n", "kind", "products");
    for (int start = 0; start < 2; start++) {
      assertThat(asClosed(api.get(july).json())).isEqualTo(asClosed(lines));
      assertThat(asClosed(api.get(grouped).json())).isEqualTo(asClosed(groups));
      assertThat(api.get(july + "&line=rigging").json().at("/total/actual").asString())
          .isEqualTo("30.00");
      JsonNode august = api.get(july.replace("-07", "-08")).json().get("rows");
      assertThat(august.valueStream().map(row -> row.get("key").asString()))
          .containsExactly("deck");
      server.close();
      server = RunningServer.start(data);
      api = server.api();
    }
  }

  @Test
  void ladderOfASealedMonth_isTheOneItWasJudgedBy() {
    api.post("/api/v1/months/2026-07/seal");
    String standing = "/api/v1/standing?axis=rep&to=2026-07&from=2026-07&goalSet=quota";
    JsonNode before = api.get(standing).json();
    api.put(
        "/api/v1/playbook",
        """
        {"ladders": [{"measure": "revenue", "scale": "percent-to-goal", "rungs": [
          {"name": "poor", "tone": "bad"}, {"name": "grand", "tone": "good", "from": "0.1"}]}]}
        """);
    assertThat(asClosed(api.get(standing).json())).isEqualTo(asClosed(before));
    assertThat(api.get(standing.replace("-07", "-08")).json().at("/rows/0/status").asString())
        .isEqualTo("grand");
  }

  @Test
  void months_areSealedInOrder_andOpenedWithAReason() {
    plan("month");
    JsonNode checks = api.get("/api/v1/months/2026-08/seal").json().get("checks");
    assertThat(
            checks
                .valueStream()
                .map(c -> c.get("code").asString() + " " + c.get("level").asString()))
        .contains("plans look", "quotas good", "held good", "staged good");
    assertThat(api.post("/api/v1/months/2026-07/seal").status()).isEqualTo(200);
    assertThat(api.post("/api/v1/months/2026-07/seal").code()).isEqualTo("month-sealed");
    assertThat(api.post("/api/v1/months/2026-09/seal").code()).isEqualTo("month-not-ready");
    assertThat(api.post("/api/v1/months/2026-08/seal").status()).isEqualTo(200);
    assertThat(api.post("/api/v1/months/2026-08/unseal?reason=x").code()).isEqualTo("not-allowed");
    Api approver = server.as("approver", null);
    assertThat(approver.post("/api/v1/months/2026-08/unseal").code()).isEqualTo("value-missing");
    assertThat(approver.post("/api/v1/months/2026-07/unseal?reason=x").code())
        .isEqualTo("month-not-ready");
    assertThat(approver.post("/api/v1/months/2026-08/unseal?reason=wrong%20file").status())
        .isEqualTo(200);
    assertThat(approver.post("/api/v1/months/2026-08/unseal?reason=x").code())
        .isEqualTo("month-not-sealed");
    JsonNode past = api.get("/api/v1/months/2026-08/seal").json().get("history");
    assertThat(past.at("/0/reason").asString()).isEqualTo("wrong file");
    assertThat(api.get("/api/v1/audit?kind=month%20unsealed").json().at("/0/after").asString())
        .isEqualTo("because: wrong file");
    assertThat(api.get("/api/v1/audit?text=wrong_file").json()).isEmpty();
  }

  @Test
  void whatWasFrozen_isTakenAlong_andStaysIt_whateverComesLater() throws Exception {
    plan("month");
    assertThat(api.get("/api/v1/months/2026-07/seal/snapshot.zip").code())
        .isEqualTo("month-not-sealed");
    JsonNode standing =
        api.get("/api/v1/standing?axis=rep&from=2026-07&to=2026-07&goalSet=quota").json();
    JsonNode seal = api.post("/api/v1/months/2026-07/seal").json();
    Map<String, JsonNode> frozen = SealedFiles.of(api, "2026-07");
    correct("2026-07-03,1,A,700.00\n");
    plan("quarter");
    assertThat(SealedFiles.of(api, "2026-07")).isEqualTo(frozen);
    assertThat(api.get("/api/v1/months/2026-07/seal").json().get("isIntact").asBoolean()).isTrue();
    assertThat(frozen.keySet())
        .containsExactly("rules.json", "seal.json", "standings.json", "statements.json");
    assertThat(frozen.get("seal.json").get("checksum")).isEqualTo(seal.get("checksum"));
    assertThat(frozen.get("seal.json").get("loads")).hasSize(3);
    assertThat(frozen.get("rules.json").at("/plans/0/window").asString()).isEqualTo("month");
    assertThat(frozen.get("statements.json").toString()).contains("Ada Lund");
    assertThat(frozen.get("standings.json").at("/0/goalSet").asString()).isEqualTo("quota");
    assertThat(frozen.get("standings.json").at("/0/rows"))
        .hasSameSizeAs(standing.get("rows"))
        .allSatisfy(
            row ->
                assertThat(standing.get("rows"))
                    .anySatisfy(
                        shown ->
                            List.of("key", "name", "actual", "goal", "variance", "status")
                                .forEach(
                                    field ->
                                        assertThat(row.get(field)).isEqualTo(shown.get(field)))));
  }
}
