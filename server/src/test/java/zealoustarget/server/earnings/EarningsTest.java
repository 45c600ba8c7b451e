package zealoustarget.server.earnings;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;
import zealoustarget.server.testing.Api;
import zealoustarget.server.testing.RunningServer;

/** Plans, statements, sealing and corrections over HTTP. */
class EarningsTest extends EarningsServer {
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
    JsonNode both = api.get("/api/v1/earnings/totals?month=2026-08&rep=A&rep=B").json();
    assertThat(both.get("reps").asInt()).isEqualTo(2);
    for (String sum : List.of("due", "credited", "floor", "quota")) {
      BigDecimal added =
          new BigDecimal(row("2026-08", "A").get(sum).asString())
              .add(new BigDecimal(row("2026-08", "B").get(sum).asString()));
      assertThat(both.get(sum).asString()).as(sum).isEqualTo(added.toPlainString());
    }
    assertThat(both.get("ceiling").isNull()).isEqualTo(row("2026-08", "A").get("ceiling").isNull());
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
  void aPlanIsTriedOverAYear_besideItsBudgetAndTheCurveInForce() {
    plan("month");
    api.put(
        "/api/v1/playbook",
        """
        {"measures": [{"code": "commission", "unit": "EUR", "scale": 2, "direction": "LOWER"}]}
        """);
    api.loadAndPost(
        "budget.csv",
        "month,company,commission\n2026-07,company,1000.00\n2026-08,company,1500.00\n",
        "kind",
        "goals",
        "goalSet",
        "commission budget",
        "axis",
        "company");
    String dearer = PLAN.formatted("month").replace("1500.00", "1600.00");
    String trial = "/api/v1/earnings/trial?month=2026-08&months=";
    JsonNode tried = api.post(trial + 12, dearer).json();
    assertThat(tried.get("months").size()).isEqualTo(12);
    assertThat(tried.get("budget").asString()).isEqualTo("2500.00");
    // both reps reached their quota once in July and August
    assertThat(tried.at("/reps/0/change").asString()).isEqualTo("100.00");
    assertThat(tried.get("curveNow")).isNotEqualTo(tried.get("curve"));
    assertThat(tried.get("curveNow").size()).isEqualTo(tried.get("curve").size());
    assertThat(api.post(trial + 13, dearer).code()).isEqualTo("value-unknown");
    assertThat(api.post(trial + 0, dearer).code()).isEqualTo("value-unknown");
  }

  @Test
  void twoVersionsOfAPlan_areComparedAsIfEachHeldInEveryMonth() {
    plan("month");
    String later = PLAN.formatted("month").replace("1500.00", "1600.00");
    later = later.replaceFirst("\\{\"name\"", "{\"since\": \"2026-09\", \"name\"");
    assertThat(later).contains("2026-09");
    assertThat(api.put("/api/v1/playbook", later).status()).isEqualTo(200);
    String dearest = PLAN.formatted("month").replace("1500.00", "1900.00");
    String trial = "/api/v1/earnings/trial?month=2026-08&months=2&beside=";
    JsonNode first = api.post(trial + "Field", dearest).json();
    JsonNode second = api.post(trial + "field&besideSince=2026-09", dearest).json();
    // two bonuses were paid in July and August: 400 more than 1,500 each, 300 more than 1,600
    assertThat(sum(first, "after")).isEqualTo(sum(second, "after"));
    assertThat(sum(second, "before").subtract(sum(first, "before"))).isEqualByComparingTo("200");
    assertThat(sum(first, "after").subtract(sum(first, "before"))).isEqualByComparingTo("800");
    assertThat(second.get("curveNow")).isNotEqualTo(first.get("curveNow"));
    Api.Answer none = api.post(trial + "Field&besideSince=2026-01", dearest);
    assertThat(none.code()).isEqualTo("value-unknown");
  }

  private static BigDecimal sum(JsonNode trial, String side) {
    return new BigDecimal(trial.get(side).asString());
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
        .contains("name Field");
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
          "measure": "tons"                         | plans[0].measure     | not a measure
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
    assertThat(rules.at("/1/after").asString()).contains("3 %");
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
}
