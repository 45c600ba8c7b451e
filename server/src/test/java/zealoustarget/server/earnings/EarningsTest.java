package zealoustarget.server.earnings;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;
import zealoustarget.server.testing.Api;
import zealoustarget.server.testing.RunningServer;
import zealoustarget.server.testing.SealedFiles;

/** Plans, statements, sealing and corrections over HTTP. */
class EarningsTest {
  private static final String PLAN =
      """
      {"plans": [{"name": "Field", "measure": "revenue", "window": "%s",
        "floor": {"percent": "0.8"}, "paidFrom": "first unit", "method": "sliced",
        "steps": [{"from": "0", "rate": "0.03"}, {"from": "1", "rate": "0.05"}],
        "bonus": "1500.00", "ceiling": {"amount": "900000.00"}, "negativeDue": "recover",
        "goalSet": "quota", "reps": ["A", "B"]}]}
      """;

  @TempDir Path data;
  private RunningServer server;
  private Api api;

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

  private void plan(String window) {
    assertThat(api.put("/api/v1/playbook", PLAN.formatted(window)).status()).isEqualTo(200);
  }

  private JsonNode row(String month, String rep) {
    for (JsonNode row : api.get("/api/v1/earnings?month=" + month).json()) {
      if (row.get("rep").asString().equals(rep)) {
        return row;
      }
    }
    throw new AssertionError("no row of " + rep);
  }

  private int correct(String lines) {
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

  private int staged(String lines, String kind) {
    return api.load("staged.csv", lines, "kind", kind).json().get("id").asInt();
  }

  private String sealedMonths(int load, String mode) {
    String path = "/api/v1/loads/" + load + "/changes?mode=" + mode;
    return api.get(path).json().get("sealedMonths").toString();
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

  @Test
  void desk_addsUp_andSaysSo() {
    plan("month");
    JsonNode desk = api.get("/api/v1/earnings/desk?month=2026-08").json();
    assertThat(desk.get("headline").asString())
        .as("posted to the 5th")
        .isEqualTo("August 2026, day 3 of 21: 1\u202f557.00 EUR due so far, to two reps.");
    assertThat(desk.get("isRunning").asBoolean()).isTrue();
    assertThat(api.get("/api/v1/earnings/desk?month=2026-07").json().get("headline").asString())
        .startsWith("July 2026 pays");
    assertThat(api.get("/api/v1/earnings/desk?month=2026-12").json().get("headline").asString())
        .isEqualTo("December 2026 has no actuals yet.");
    assertThat(desk.at("/totals/due").asString()).isEqualTo("1557.00");
    assertThat(desk.at("/totals/credited").asString()).isEqualTo("1900.00");
    assertThat(desk.at("/totals/shareShown").asString()).isEqualTo("81.95");
    JsonNode kept = api.get("/api/v1/earnings/totals?month=2026-08&text=ada").json();
    assertThat(kept.get("reps").asInt()).isEqualTo(1);
    assertThat(kept.get("due")).isEqualTo(row("2026-08", "A").get("due"));
    assertThat(row("2026-08", "C").get("status").asString()).isEqualTo("no plan");
  }

  @Test
  void commissionBudget_isReadAsActualAgainstBudget() {
    plan("month");
    api.put(
        "/api/v1/playbook",
        """
        {"measures": [{"code": "commission", "unit": "EUR", "scale": 2, "direction": "LOWER"}]}
        """);
    api.loadAndPost(
        "budget.csv",
        "month,company,commission\n2026-08,company,1500.00\n",
        "kind",
        "goals",
        "goalSet",
        "commission budget",
        "axis",
        "company");
    JsonNode budget = api.get("/api/v1/earnings/desk?month=2026-08").json().get("budget");
    assertThat(budget.get("goal").asString()).isEqualTo("1500.00");
    assertThat(budget.get("variance").asString()).isEqualTo("57.00");
    assertThat(budget.get("isOver").asBoolean()).isTrue();
  }

  @Test
  void statement_leadsToItsSourceLines() {
    plan("quarter");
    JsonNode statement = api.get("/api/v1/earnings/reps/A?month=2026-08").json();
    assertThat(statement.at("/row/windowFrom").asString()).isEqualTo("2026-07");
    assertThat(statement.at("/row/actual").asString()).isEqualTo("2100.00");
    assertThat(statement.at("/plan/name").asString()).isEqualTo("Field");
    assertThat(statement.at("/sales").valueStream().map(l -> l.get("line").asInt()))
        .containsExactly(2, 4);
    assertThat(statement.at("/quota/0/file").asString()).isEqualTo("quota.csv");
    assertThat(api.get("/api/v1/earnings/reps/Z?month=2026-08").code()).isEqualTo("member-unknown");
    assertThat(api.get("/api/v1/earnings?month=2026-13").code()).isEqualTo("month-unreadable");
  }

  @Test
  void whatIf_isTheCurve_andOneMoreOrderSaysWhoTurns() {
    plan("month");
    JsonNode asked = api.get("/api/v1/earnings/reps/A/what-if?month=2026-08&sales=1000.00").json();
    assertThat(asked.get("earned").asString()).isEqualTo("1530.00");
    assertThat(asked.get("change").asString()).isEqualTo("1503.00");
    assertThat(asked.get("status").asString()).isEqualTo("on target");
    assertThat(api.get("/api/v1/earnings/reps/A/what-if?month=2026-08&sales=ten").code())
        .isEqualTo("value-unknown");
    assertThat(api.get("/api/v1/earnings/reps/C/what-if?month=2026-08&sales=10").code())
        .isEqualTo("value-unknown");
    JsonNode one = api.get("/api/v1/earnings/one-more-order?month=2026-08").json();
    assertThat(
            one.valueStream().map(r -> r.get("rep").asString() + " " + r.get("order").asString()))
        .containsExactly("A 1050.00");
    assertThat(one.at("/0/then").asString()).isEqualTo("on target");
  }

  @Test
  void sharedCredit_movesSalesAndQuota_toTheCent() {
    plan("month");
    Api.Answer put =
        api.put(
            "/api/v1/playbook",
            """
            {"credits": [{"rep": "A", "from": "2026-08", "shares": {"A": "1/3", "B": "2/3"}}]}
            """);
    assertThat(put.status()).as("%s", put.json()).isEqualTo(200);
    assertThat(row("2026-08", "A").get("actual").asString()).isEqualTo("300.00");
    assertThat(row("2026-08", "B").get("actual").asString()).isEqualTo("1600.00");
    assertThat(row("2026-08", "A").get("quota").asString()).isEqualTo("333.33");
    assertThat(row("2026-08", "B").get("quota").asString()).isEqualTo("1666.67");
    assertThat(row("2026-07", "A").get("actual").asString()).isEqualTo("1200.00");
    assertThat(
            api.put(
                    "/api/v1/playbook",
                    "{\"credits\": [{\"rep\": \"A\", \"shares\": {\"A\": \"0.99\"}}]}")
                .json()
                .get("detail")
                .asString())
        .contains("credits[0].shares")
        .contains("99 %, must be 100 %");
  }

  @Test
  void playbook_givesBackWhatItTook() {
    plan("year");
    api.put(
        "/api/v1/playbook",
        """
        {"assignments": [{"rep": "A", "plan": "Field", "from": "2026-07", "until": "2026-12",
           "ramp": ["0.5", "0.75"]}, {"rep": "B", "plan": "field", "from": "2026-08"}]}
        """);
    JsonNode before = api.get("/api/v1/playbook").json();
    assertThat(before.at("/assignments/0/ramp/1").asString()).isEqualTo("0.75");
    assertThat(api.put("/api/v1/playbook", before.toString()).json()).isEqualTo(before);
    server.close();
    server = RunningServer.start(data);
    api = server.api();
    assertThat(api.get("/api/v1/playbook").json()).isEqualTo(before);
    assertThat(row("2026-07", "A").get("quota").asString()).isEqualTo("500.00");
  }

  @Test
  void planGoes_butNotWhileRepsHaveIt_andOnlyTheVersionThatIsNamed() {
    plan("month");
    String remove = "{\"plans\": [{\"name\": \"field\", %s\"remove\": true}]}";
    Api.Answer refused = api.put("/api/v1/playbook", remove.formatted(""));
    assertThat(refused.json().get("place").asString()).isEqualTo("plans[0].remove");
    assertThat(refused.json().get("rule").asString())
        .isEqualTo("\"field\" still has A, B; give these reps another plan, or none, first");
    assertThat(api.put("/api/v1/playbook", remove.formatted("\"since\": \"2026-08\", ")).code())
        .isEqualTo("playbook-invalid");
    api.put(
        "/api/v1/playbook",
        PLAN.formatted("month").replace("\"measure\"", "\"since\": \"2026-08\", \"measure\""));
    assertThat(api.put("/api/v1/playbook", remove.formatted("\"since\": null, ")).status())
        .isEqualTo(200);
    assertThat(api.get("/api/v1/playbook").json().at("/plans/0/since").asString())
        .isEqualTo("2026-08");
    assertThat(row("2026-07", "A").get("status").asString()).isEqualTo("no plan");
    assertThat(row("2026-08", "A").get("plan").asString()).isEqualTo("Field");
    api.put("/api/v1/playbook", "{\"assignments\": []}");
    assertThat(api.put("/api/v1/playbook", remove.formatted("\"since\": \"2026-08\", ")).status())
        .isEqualTo(200);
    assertThat(api.get("/api/v1/playbook").json().get("plans")).isEmpty();
    assertThat(api.get("/api/v1/audit?text=rules,%20plans").json().at("/0/before").asString())
        .contains("\"Field\"");
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      textBlock =
          """
          "reps": ["A", "A"]                        | plans[0].reps        | two
          "steps": [{"from": "0", "rate": "3"}]     | plans[0].steps[0].rate | 0.03
          "floor": {"amount": "0"}                  | plans[0].floor       | above 0
          "floor": {"amount": "1", "percent": "1"}  | plans[0].floor       | one of
          "window": "week"                          | plans[0].window      | month
          "bonus": "1.005"                          | plans[0].bonus       | decimals
          "cap": "0"                                | plans[0].cap         | above 0
          "measure": "tons"                         | plans[0].measure     | no measure
          "name": " "                               | plans[0].name        | characters
          "surprise": 1                             | plans[0].surprise    | not known
          """)
  void planThatCannotBe_isRefusedAtItsPlace(String part, String place, String words) {
    String plan =
        """
        {"name": "X", "goalSet": "quota", "steps": [{"from": "0", "rate": "0.03"}]}
        """;
    ObjectNode draft = (ObjectNode) new JsonMapper().readTree(plan);
    new JsonMapper()
        .readTree("{" + part + "}")
        .properties()
        .forEach(p -> draft.set(p.getKey(), p.getValue()));
    Api.Answer answer = api.put("/api/v1/playbook", "{\"plans\": [" + draft + "]}");
    assertThat(answer.status()).isEqualTo(400);
    assertThat(answer.json().get("place").asString()).isEqualTo(place);
    if (!words.equals("two")) {
      assertThat(answer.json().get("detail").asString()).contains(words);
    } else {
      assertThat(answer.json().get("detail").asString()).contains("would be in");
    }
    assertThat(api.get("/api/v1/playbook").json().get("plans")).isEmpty();
  }

  @Test
  void everyChange_leavesATrail() {
    plan("month");
    JsonNode rules = api.get("/api/v1/audit?kind=rules%20changed&text=Field").json();
    assertThat(rules.at("/0/subject").asString()).isEqualTo("rules, assignments");
    assertThat(rules.at("/1/subject").asString()).isEqualTo("rules, plans");
    assertThat(rules.at("/1/before").isNull()).isTrue();
    assertThat(rules.at("/1/after").asString()).contains("\"0.03\"");
    JsonNode posts = api.get("/api/v1/audit?kind=load%20posted").json();
    assertThat(posts.size()).isEqualTo(3);
    assertThat(posts.at("/0/after").asString()).isEqualTo("actuals, 5 lines, add");
    assertThat(api.get("/api/v1/audit?kind=nonsense").code()).isEqualTo("value-unknown");
    String csv = api.raw(api.request("/api/v1/audit.csv?text=sold").build()).body();
    assertThat(csv.lines()).hasSize(2);
  }

  @Test
  void sharedCredit_isTriedBeforeItIsSaved_andMustAddTo100() {
    plan("month");
    String shares =
        "{\"credits\": [{\"rep\": \"A\", \"from\": \"2026-08\", \"shares\": {\"A\": \"%s\", \"B\": \"%s\"}}]}";
    String address = "/api/v1/earnings/trial?month=2026-08";
    Api.Answer wrong = api.post(address, shares.formatted("0.5", "0.49"));
    assertThat(wrong.code()).isEqualTo("playbook-invalid");
    assertThat(wrong.text("place")).isEqualTo("credits[0].shares");
    assertThat(wrong.text("detail")).contains("99 %");

    JsonNode trial = api.post(address, shares.formatted("0.5", "1/2")).json();
    assertThat(trial.get("curve")).isEmpty();
    assertThat(trial.get("reps")).hasSize(2);
    // July is as before; in August A has 450.00 of 500.00, B 1,450.00 of 1,500.00
    JsonNode ada = trial.at("/reps/0");
    assertThat(ada.get("name").asString()).isEqualTo("Ada Lund");
    assertThat(ada.at("/before/1").asString()).isEqualTo(ada.at("/after/1").asString());
    assertThat(ada.at("/before/2").asString()).isEqualTo("27.00");
    assertThat(ada.at("/after/2").asString()).isEqualTo("13.50");
    assertThat(trial.at("/reps/1/after/2").asString()).isEqualTo("43.50");
    assertThat(row("2026-08", "A").get("part").asString()).as("only tried").isEqualTo("27.00");

    assertThat(api.put("/api/v1/playbook", shares.formatted("1/3", "2/3")).status()).isEqualTo(200);
    JsonNode saved = api.get("/api/v1/playbook").json().at("/credits/0/shares");
    assertThat(saved.get("A").asString()).isEqualTo("1/3");
    api.put("/api/v1/playbook", shares.formatted("3/5", "0.4"));
    saved = api.get("/api/v1/playbook").json().at("/credits/0/shares");
    assertThat(saved.get("A").asString()).isEqualTo("0.6");
  }

  /** A standing without what it says of corrections since the close. */
  private static JsonNode asClosed(JsonNode standing) {
    ObjectNode closed = (ObjectNode) standing.deepCopy();
    closed.remove(List.of("corrections", "headline"));
    for (String part : List.of("rows", "groups")) {
      closed.path(part).forEach(row -> ((ObjectNode) row).remove("correction"));
    }
    return closed;
  }
}
