package zealoustarget.server.closing;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import zealoustarget.server.testing.Api;
import zealoustarget.server.testing.RunningServer;

/** What stands between a month and its closing, over HTTP; docs/calculations.md, section 11. */
class CloseListTest {
  private static final String OCTOBER = "/api/v1/months/2026-10";
  private static final String LIST = OCTOBER + "/close-list";

  @TempDir Path folder;
  private RunningServer server;
  private Api api;

  @BeforeEach
  void start() {
    server = RunningServer.start(folder);
    api = server.api();
    put(
        "/api/v1/rules",
        "{\"calendar\":{\"startMonth\":7,\"yearNamedBy\":\"end\",\"holidays\":[]}}");
    load(
        "roster.csv",
        "rep,name,region,manager,from\nK1,Ida Pell,North,Tull,2026-07\nK2,Ole Rand,North,Tull,2026-07\n",
        "kind",
        "roster");
    StringBuilder quotas = new StringBuilder("month,rep,revenue\n");
    StringBuilder plan = new StringBuilder("month,region,revenue\n");
    for (int month = 7; month <= 10; month++) {
      quotas.append("2026-%02d,K1,100.00\n2026-%02d,K2,100.00\n".formatted(month, month));
      plan.append("2026-%02d,North,195.00\n".formatted(month));
    }
    load("quota.csv", quotas.toString(), "kind", "goals", "goalSet", "quota", "axis", "rep");
    load("plan.csv", plan.toString(), "kind", "goals", "goalSet", "region plan", "axis", "region");
    for (int month = 7; month <= 9; month++) {
      orders("2026-%02d".formatted(month), "100.00");
      load(
          "field " + month + ".csv",
          "date,rep,revenue,remark\n2026-%02d-04,K2,10.00,x\n".formatted(month),
          "kind",
          "actuals");
    }
    orders("2026-10", "40.00");
  }

  @AfterEach
  void stop() {
    server.close();
  }

  private void orders(String month, String amount) {
    load(
        "orders " + month + ".csv",
        "month,rep,revenue\n%s,K1,%s\n%s,K2,95.00\n".formatted(month, amount, month),
        "kind",
        "actuals");
  }

  private int load(String name, String content, String... fields) {
    return api.loadAndPost(name, content, fields);
  }

  private JsonNode put(String path, String body) {
    Api.Answer answer = api.put(path, body);
    assertThat(answer.status()).as("%s", answer.json()).isEqualTo(200);
    return answer.json();
  }

  private JsonNode list() {
    return api.get(LIST).json();
  }

  private static Map<String, String> states(JsonNode list) {
    Map<String, String> states = new TreeMap<>();
    list.get("lines")
        .valueStream()
        .forEach(line -> states.put(line.get("code").asString(), line.get("state").asString()));
    return states;
  }

  private static JsonNode line(JsonNode list, String code) {
    return list.get("lines")
        .valueStream()
        .filter(line -> line.get("code").asString().equals(code))
        .findFirst()
        .orElseThrow();
  }

  @Test
  void lines_areComputed_inTheOrderOfTheWork() {
    JsonNode list = list();
    assertThat(list.get("state").asString()).isEqualTo("open");
    List<String> order = new ArrayList<>();
    list.get("lines").valueStream().forEach(line -> order.add(line.get("code").asString()));
    assertThat(order)
        .containsExactly(
            "arrivals",
            "staged",
            "held",
            "control-totals",
            "quotas",
            "region-goals",
            "plans",
            "reasons",
            "adjustments",
            "follow-ups",
            "briefing");
    assertThat(states(list))
        .containsEntry("arrivals", "open")
        .containsEntry("staged", "done")
        .containsEntry("region-goals", "done")
        .containsEntry("plans", "open")
        .containsEntry("reasons", "open")
        .containsEntry("adjustments", "done")
        .containsEntry("briefing", "open");
    assertThat(list.get("headline").asString())
        .isEqualTo("October 2026: 4 things stand between you and closing.");
    assertThat(line(list, "arrivals").get("figure").asString()).isEqualTo("1 of 2");
    assertThat(line(list, "arrivals").get("text").asString()).isEqualTo("field 9.csv is missing");
    assertThat(line(list, "region-goals").get("figure").asString()).isEqualTo("+2.6 %");
    assertThat(line(list, "reasons").at("/items/0/name").asString()).isEqualTo("Ida Pell");
    assertThat(line(list, "reasons").at("/items/0/amount").asString()).isEqualTo("60.00 EUR");
    assertThat(line(list, "reasons").get("items").size()).as("5 % is under the limit").isEqualTo(1);
  }

  @Test
  void lineOnHold_andStagedLoad_areOpen_untilTheyAreSettled() {
    JsonNode staged =
        api.load(
                "more.csv",
                "month,rep,revenue\n2026-10,K1,1.00\n2026-10,Nobody,2.00\n",
                "kind",
                "actuals")
            .json();
    assertThat(line(list(), "staged").get("figure").asString()).isEqualTo("1");
    int id = staged.get("id").asInt();
    api.post("/api/v1/loads/" + id + "/post?held=leave");
    assertThat(states(list())).containsEntry("staged", "done").containsEntry("held", "open");
    assertThat(line(list(), "held").get("text").asString()).isEqualTo("more.csv: 1 of 2 lines");
    JsonNode rest = api.post("/api/v1/loads/" + id + "/remainder").json();
    assertThat(states(list())).containsEntry("staged", "open").containsEntry("held", "open");
    int restId = rest.get("id").asInt();
    api.post(
        "/api/v1/loads/" + restId + "/names",
        "[{\"axis\":\"rep\",\"text\":\"Nobody\",\"member\":\"K2\"}]");
    assertThat(api.post("/api/v1/loads/" + restId + "/post").status()).isEqualTo(200);
    assertThat(states(list())).containsEntry("staged", "done").containsEntry("held", "done");
  }

  @Test
  void waiver_needsAReason_coversWhatWasOpen_andIsTakenBack() {
    Api.Answer bare = api.put(LIST + "/reasons/waiver", "{\"reason\":\" \"}");
    assertThat(bare.code()).isEqualTo("value-missing");
    JsonNode waived = put(LIST + "/reasons/waiver", "{\"reason\":\"She was ill.\"}");
    assertThat(line(waived, "reasons").get("state").asString()).isEqualTo("waived");
    assertThat(line(waived, "reasons").get("reason").asString()).isEqualTo("She was ill.");
    assertThat(line(waived, "reasons").get("by").asString()).isNotBlank();

    load("less.csv", "month,rep,revenue\n2026-10,K2,-50.00\n", "kind", "actuals");
    assertThat(states(list())).as("a second rep misses now").containsEntry("reasons", "open");
    put(LIST + "/reasons/waiver", "{\"reason\":\"Both were ill.\"}");
    assertThat(states(list())).containsEntry("reasons", "waived");
    api.delete(LIST + "/reasons/waiver");
    assertThat(states(list())).containsEntry("reasons", "open");

    assertThat(api.put(LIST + "/staged/waiver", "{\"reason\":\"why\"}").code())
        .isEqualTo("close-line-done");
    assertThat(api.put(LIST + "/nothing/waiver", "{\"reason\":\"why\"}").code())
        .isEqualTo("close-line-unknown");
    assertThat(
            api.put("/api/v1/notes/rep/K1/2026-10", "{\"reason\":null,\"text\":\"ill\"}").status())
        .isEqualTo(204);
    assertThat(line(list(), "reasons").get("items").size()).isEqualTo(1);
  }

  @Test
  void ownLines_recur_areTicked_andTakenAway() {
    assertThat(api.post(LIST + "/lines", "{\"name\":\"\",\"recurs\":true}").code())
        .isEqualTo("value-missing");
    JsonNode added =
        api.post(LIST + "/lines", "{\"name\":\"Freight credits\",\"recurs\":true}").json();
    String code =
        added
            .get("lines")
            .valueStream()
            .filter(line -> line.get("isOwn").asBoolean())
            .findFirst()
            .orElseThrow()
            .get("code")
            .asString();
    String number = code.substring("own-".length());
    assertThat(states(put(LIST + "/lines/" + number, "{}"))).containsEntry(code, "done");
    assertThat(states(api.get("/api/v1/months/2026-11/close-list").json()))
        .as("the next month has it open")
        .containsEntry(code, "open");
    assertThat(states(put(LIST + "/lines/" + number + "?done=false", "{}")))
        .containsEntry(code, "open");
    api.delete("/api/v1/months/2026-11/close-list/lines/" + number);
    assertThat(states(api.get("/api/v1/months/2026-11/close-list").json())).doesNotContainKey(code);
    assertThat(states(list())).as("months before keep it").containsKey(code);
    api.delete(LIST + "/lines/" + number);
    assertThat(states(list())).doesNotContainKey(code);
  }

  @Test
  void month_isClosedOnlyWhenChecked_whereThatIsAsked_andKeepsItsList() {
    Api.Answer refused = api.post(OCTOBER + "/seal?requireChecked=true");
    assertThat(refused.status()).isEqualTo(409);
    assertThat(refused.code()).isEqualTo("month-not-checked");
    assertThat(refused.json().get("lines").size()).isEqualTo(4);
    put("/api/v1/rules", "{\"closing\":{\"requireChecked\":true}}");
    assertThat(api.post(OCTOBER + "/seal").code()).isEqualTo("month-not-checked");
    put("/api/v1/rules", "{\"closing\":{\"off\":[\"briefing\",\"plans\"]}}");
    for (String code : List.of("arrivals", "reasons")) {
      put(LIST + "/" + code + "/waiver", "{\"reason\":\"Not this month.\"}");
    }
    assertThat(list().get("state").asString()).isEqualTo("checked");
    assertThat(list().get("headline").asString()).isEqualTo("October 2026 is ready to be closed.");
    assertThat(state("2026-10")).isEqualTo("checked");
    int waiting =
        api.load("wait.csv", "month,rep,revenue\n2026-10,K1,1.00\n", "kind", "actuals")
            .json()
            .get("id")
            .asInt();
    assertThat(state("2026-10")).as("a file waits").isEqualTo("open");
    api.delete("/api/v1/loads/" + waiting);
    assertThat(state("2026-10")).isEqualTo("checked");
    assertThat(api.post(OCTOBER + "/seal").status()).isEqualTo(200);

    put("/api/v1/rules", "{\"closing\":{\"off\":[]}}");
    JsonNode kept = list();
    assertThat(kept.get("state").asString()).isEqualTo("sealed");
    assertThat(states(kept)).containsEntry("reasons", "waived").doesNotContainKey("briefing");
    assertThat(line(kept, "reasons").get("reason").asString()).isEqualTo("Not this month.");
    assertThat(kept.get("sentence").asString()).endsWith("2 lines were waived.");
    assertThat(api.put(LIST + "/reasons/waiver", "{\"reason\":\"late\"}").code())
        .isEqualTo("month-sealed");
    assertThat(api.post(LIST + "/lines", "{\"name\":\"x\",\"recurs\":false}").code())
        .isEqualTo("month-sealed");
    assertThat(api.get("/api/v1/record").json().get("isWhole").asBoolean()).isTrue();
  }

  private String state(String month) {
    return month(month).get("state").asString();
  }

  private JsonNode month(String month) {
    return api.get("/api/v1/closes?year=2027")
        .json()
        .valueStream()
        .filter(one -> one.get("month").asString().equals(month))
        .findFirst()
        .orElseThrow();
  }

  @Test
  void plainClosing_closesWhateverIsOpen_andTheYearCountsCorrections() {
    assertThat(api.post("/api/v1/months/2026-07/seal").status()).isEqualTo(200);
    assertThat(month("2026-07").get("corrections").asInt()).isZero();
    assertThat(month("2026-07").get("workingDay").isNull()).isFalse();
    int late =
        api.load("late.csv", "month,rep,revenue\n2026-07,K1,1.00\n", "kind", "actuals")
            .json()
            .get("id")
            .asInt();
    assertThat(month("2026-07").get("staged").size()).as("closed figures wait for none").isZero();
    assertThat(api.post("/api/v1/loads/" + late + "/post?as=correction").status()).isEqualTo(200);
    assertThat(month("2026-07").get("corrections").asInt()).isEqualTo(1);
    int staged =
        api.load("more.csv", "month,rep,revenue\n2026-08,K1,1.00\n", "kind", "actuals")
            .json()
            .get("id")
            .asInt();
    assertThat(month("2026-08").at("/staged/0").asInt()).isEqualTo(staged);
    api.post("/api/v1/loads/" + staged + "/post", "{}");
    assertThat(month("2026-08").get("staged").size()).isZero();
    assertThat(state("2026-08")).isEqualTo("open");
    assertThat(state("2027-01")).isEqualTo("empty");
    assertThat(api.get("/api/v1/closes?year=20").code()).isEqualTo("value-unknown");
  }

  @Test
  void source_thatEnded_isNotMissing_andNobodyWaitsForIt() {
    JsonNode source =
        list()
            .get("sources")
            .valueStream()
            .filter(one -> one.get("name").asString().equals("field 9.csv"))
            .findFirst()
            .orElseThrow();
    assertThat(source.at("/months/11/isDue").asBoolean()).isTrue();
    String body =
        "{\"source\":\"%s\",\"name\":\"field\",\"rhythm\":\"%s\"}"
            .formatted(source.get("source").asString(), "%s");
    assertThat(api.put("/api/v1/source-rhythms", body.formatted("never")).code())
        .isEqualTo("value-unknown");
    assertThat(api.put("/api/v1/source-rhythms", body.formatted("ended")).status()).isEqualTo(204);
    assertThat(states(list())).containsEntry("arrivals", "done");
    api.put("/api/v1/source-rhythms", body.formatted("quarterly"));
    assertThat(states(list())).as("October ends no quarter").containsEntry("arrivals", "done");
    api.put("/api/v1/source-rhythms", body.formatted("monthly"));
    assertThat(states(list())).containsEntry("arrivals", "open");
  }

  @Test
  void followUp_isDueInTheMonthOfItsDay() {
    String body = "{\"what\":\"Visit Quay 4\",\"who\":\"Tull\",\"due\":\"2026-10-20\"}";
    Api.Answer made = api.post("/api/v1/notes/rep/K1/2026-09/follow-ups", body);
    assertThat(made.status()).as("%s", made.json()).isEqualTo(201);
    assertThat(line(list(), "follow-ups").at("/items/0/name").asString()).isEqualTo("Visit Quay 4");
    assertThat(states(api.get("/api/v1/months/2026-09/close-list").json()))
        .containsEntry("follow-ups", "done");
    int id = made.json().get("id").asInt();
    put("/api/v1/follow-ups/" + id, "{}");
    assertThat(states(list())).containsEntry("follow-ups", "done");
    assertThat(api.get("/api/v1/follow-ups?month=2026-09").json().at("/0/doneBy").isNull())
        .isFalse();
    assertThat(api.delete("/api/v1/follow-ups/" + id).status()).isEqualTo(204);
    assertThat(api.put("/api/v1/follow-ups/" + id, "{}").code()).isEqualTo("follow-up-unknown");
    assertThat(
            api.post(
                    "/api/v1/notes/rep/K1/2026-09/follow-ups",
                    "{\"what\":\"x\",\"who\":\"y\",\"due\":\"soon\"}")
                .code())
        .isEqualTo("day-unreadable");
  }

  @Test
  void rulesOfClosing_areReadStrictly() {
    for (String bad :
        List.of(
            "{\"off\":[\"lunch\"]}",
            "{\"missesAbove\":\"12\"}",
            "{\"missesAbove\":\"many\"}",
            "{\"dueDay\":0}",
            "{\"tell\":[\"nobody\"]}",
            "{\"colour\":\"red\"}")) {
      assertThat(api.put("/api/v1/rules", "{\"closing\":" + bad + "}").code())
          .as(bad)
          .isEqualTo("playbook-invalid");
    }
    put("/api/v1/rules", "{\"closing\":{\"missesAbove\":\"0.6\",\"dueDay\":3}}");
    assertThat(states(list())).as("60 % is not above 60 %").containsEntry("reasons", "done");
    assertThat(list().get("sentence").asString()).contains("working day 3, 4 Nov");
    assertThat(api.get("/api/v1/rules").json().at("/closing/missesAbove").asString())
        .isEqualTo("0.6");
  }
}
