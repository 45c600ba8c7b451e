package zealoustarget.server.standing.view;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import zealoustarget.server.testing.Api;

/** Ladders, shading, notes, reasons and views: what is set for a standing. */
class StandingRulesTest extends StandingServer {
  @Test
  void claims_areBackedByRows_andNotesByReason() {
    write(
        "rep", "K1", "2026-10", "{\"reason\": \"stock-out\", \"text\": \"No cleats came.\"}", 204);
    JsonNode claims = api.get("/api/v1/standing/claims?goalSet=quota&" + OCTOBER).json();
    assertThat(texts(claims.get("claims"), "text"))
        .contains(
            "Ines accounts for 99.8\u00a0% of the shortfall.",
            "99.8\u00a0% of the shortfall: stock-out.");
    assertThat(text(claims.at("/reasons/0"), "shortfall")).isEqualTo("20.00");
    JsonNode row = row(standing("goalSet=quota&" + OCTOBER), "K1");
    assertThat(text(row.at("/notes/0"), "text")).isEqualTo("No cleats came.");
    assertThat(text(row.at("/notes/0"), "reasonName")).isEqualTo("stock-out");
    write("rep", "K1", "2026-10", "{}", 204);
    assertThat(row(standing("goalSet=quota&" + OCTOBER), "K1").has("notes")).isFalse();
  }

  @Test
  void badNotesAndReasons_areRefused_andNothingChanges() {
    assertThat(write("rep", "K9", "2026-10", "{\"text\": \"x\"}", 404)).isEqualTo("member-unknown");
    assertThat(write("company", "*", "2026-10", "{\"text\": \"x\"}", 404))
        .isEqualTo("member-unknown");
    assertThat(write("rep", "K1", "October", "{\"text\": \"x\"}", 400))
        .isEqualTo("month-unreadable");
    assertThat(write("rep", "K1", "2026-10", "{\"reason\": \"luck\"}", 400))
        .isEqualTo("value-unknown");
    assertThat(write("rep", "K1", "2026-10", "{\"text\": \"" + "x".repeat(2001) + "\"}", 400))
        .isEqualTo("note-too-long");
    write("rep", "K2", "2026-09", "{\"reason\": \"price\"}", 204);
    Api.Answer gone = api.put("/api/v1/reasons", "[{\"code\": \"other\", \"name\": \"other\"}]");
    assertThat(gone.status()).isEqualTo(409);
    assertThat(gone.code()).isEqualTo("reason-in-use");
    assertThat(api.put("/api/v1/reasons", "[{\"name\": \" \"}]").code())
        .isEqualTo("reasons-invalid");
    assertThat(api.put("/api/v1/reasons", "[{\"name\": \"a\"}, {\"name\": \"A\"}]").code())
        .isEqualTo("reasons-invalid");
    Api.Answer kept =
        api.put(
            "/api/v1/reasons",
            "[{\"code\": \"price\", \"name\": \"Price\"}, {\"name\": \"Fair weather!\"},"
                + " {\"code\": \"stock-out\", \"name\": \"stock-out\"}]");
    assertThat(texts(kept.json(), "code")).containsExactly("price", "fair-weather", "stock-out");
    write("rep", "K2", "2026-09", "{}", 204);
  }

  @Test
  void ladder_isTriedBeforeItIsInForce_andEarlierMonthsKeepTheirs() {
    String ladder =
        "{\"measure\": \"revenue\", \"goalSet\": \"quota\", \"since\": \"2026-10\", \"scale\":"
            + " \"percent-to-goal\", \"rungs\": [{\"name\": \"under\", \"tone\": \"bad\"},"
            + " {\"name\": \"fine\", \"tone\": \"good\", \"from\": \"0.75\"}]}";
    Api.Answer tried = api.post("/api/v1/standing/trial?goalSet=quota&" + OCTOBER, ladder);
    assertThat(tried.status()).isEqualTo(200);
    assertThat(texts(tried.json().get("flips"), "key")).containsExactly("K1", "K2", "K3");
    assertThat(tried.json().at("/rungs/1/rows").asInt()).isEqualTo(3);
    assertThat(tried.json().get("noReading").asInt()).isEqualTo(1);
    assertThat(text(row(standing("goalSet=quota&" + OCTOBER), "K1"), "status")).isEqualTo("behind");
    put("{\"ladders\": [" + ladder + "]}");
    JsonNode october = standing("goalSet=quota&" + OCTOBER);
    assertThat(text(row(october, "K1"), "status")).isEqualTo("fine");
    assertThat(text(october, "ladder")).isEqualTo("revenue against quota, since 2026-10");
    JsonNode september = standing("goalSet=quota&from=2026-09&to=2026-09");
    assertThat(text(row(september, "K1"), "status")).isEqualTo("near");
    put("{\"ladders\": [" + ladder.replace("\"since\": \"2026-10\", ", "") + "]}");
    assertThat(text(row(standing("goalSet=quota&from=2026-09&to=2026-09"), "K1"), "status"))
        .isEqualTo("fine");
    String usual =
        "{\"measure\": \"revenue\", \"goalSet\": \"quota\", \"scale\": \"percent-to-goal\","
            + " \"rungs\": [{\"name\": \"behind\", \"tone\": \"bad\"}, {\"name\": \"near\","
            + " \"tone\": \"near\", \"from\": \"0.9\"}, {\"name\": \"reached\", \"tone\": \"good\","
            + " \"from\": \"1\"}, {\"name\": \"well past\", \"tone\": \"good\", \"from\":"
            + " \"1.2\"}]}";
    put("{\"ladders\": [" + usual + "]}");
    assertThat(text(row(standing("goalSet=quota&" + OCTOBER), "K1"), "status")).isEqualTo("behind");
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "{\"measure\": \"revenue\", \"scale\": \"variance\", \"rungs\": []}",
        "{\"measure\": \"revenue\", \"scale\": \"variance\", \"rungs\": [{\"name\": \"a\", \"tone\":"
            + " \"bad\"}, {\"name\": \"b\", \"tone\": \"good\", \"from\": \"1\"}, {\"name\": \"c\","
            + " \"tone\": \"good\", \"from\": \"1\"}]}",
        "{\"measure\": \"revenue\", \"scale\": \"variance\", \"rungs\": [{\"name\": \"a\", \"tone\":"
            + " \"bad\"}, {\"name\": \"b\", \"tone\": \"good\", \"from\": \"much\"}]}",
        "{\"measure\": \"revenue\", \"since\": \"autumn\", \"scale\": \"variance\", \"rungs\":"
            + " [{\"name\": \"a\", \"tone\": \"bad\"}]}"
      })
  void brokenLadder_isRefusedWithItsPlace(String ladder) {
    Api.Answer answer = api.post("/api/v1/standing/trial?goalSet=quota&" + OCTOBER, ladder);
    assertThat(answer.status()).isEqualTo(400);
    assertThat(answer.code()).isEqualTo("playbook-invalid");
    assertThat(answer.text("place")).startsWith("ladder");
  }

  @Test
  void stretches_areDrawnWhereTheClosestRuleApplies_andRefusedWhereTheyCannotBe() {
    assertThat(standing("goalSet=quota&" + OCTOBER).get("stretches").isNull()).isTrue();
    String rule = "{\"stretches\": [{\"measure\": \"revenue\", %s}]}";
    put(rule.formatted("\"of\": \"goal\", \"at\": [\"0.25\", \"0.5\", \"0.75\"]"));
    put(
        rule.formatted(
            "\"goalSet\": \"quota\", \"of\": \"last-year\", \"at\": [\"0.6\", \"0.8\"]"));
    JsonNode closest = standing("goalSet=quota&" + OCTOBER).get("stretches");
    assertThat(text(closest, "of")).isEqualTo("last-year");
    assertThat(closest.get("at").toString()).isEqualTo("[\"0.6\",\"0.8\"]");
    assertThat(api.get("/api/v1/playbook").json().get("stretches").size()).isEqualTo(2);
    put(rule.formatted("\"goalSet\": \"quota\", \"remove\": true"));
    assertThat(text(standing("goalSet=quota&" + OCTOBER).get("stretches"), "of")).isEqualTo("goal");
    for (String at :
        List.of("[]", "[\"0.5\", \"0.5\"]", "[\"2.01\"]", "[\"0\"]", "[\"half\"]", "\"1\"")) {
      Api.Answer refused =
          api.put("/api/v1/playbook", rule.formatted("\"of\": \"goal\", \"at\": " + at));
      assertThat(refused.code()).as(at).isEqualTo("playbook-invalid");
      assertThat(refused.text("place")).isEqualTo("stretches[0].at");
    }
    assertThat(text(standing("goalSet=quota&" + OCTOBER).get("stretches"), "of"))
        .as("nothing was changed")
        .isEqualTo("goal");
  }

  @Test
  void shading_isAutomaticUntilALimitIsSet() {
    JsonNode before = standing("goalSet=quota&" + OCTOBER);
    assertThat(text(row(before, "K1").get("spoken"), "shade")).isEqualTo("-1.000");
    assertThat(before.at("/shading/isBadAutomatic").asBoolean()).isTrue();
    put("{\"shading\": [{\"measure\": \"revenue\", \"goalSet\": \"quota\", \"bad\": \"40.00\"}]}");
    JsonNode after = standing("goalSet=quota&" + OCTOBER);
    assertThat(text(row(after, "K1").get("spoken"), "shade")).isEqualTo("-0.500");
    assertThat(text(after.get("shading"), "bad")).isEqualTo("40.00");
    Api.Answer refused =
        api.put("/api/v1/playbook", "{\"shading\": [{\"measure\": \"revenue\", \"bad\": \"-1\"}]}");
    assertThat(refused.code()).isEqualTo("playbook-invalid");
    assertThat(refused.text("place")).isEqualTo("shading[0].bad");
    put("{\"shading\": [{\"measure\": \"revenue\", \"goalSet\": \"quota\", \"bad\": \"auto\"}]}");
  }

  @Test
  void rules_giveBackWhatTheyTake_alsoByTheirEarlierName() {
    Api.Answer rules = api.get("/api/v1/rules");
    assertThat(api.get("/api/v1/playbook").json()).isEqualTo(rules.json());
    assertThat(texts(rules.json().at("/calendar/holidays"), null)).containsExactly("2026-11-11");
    assertThat(rules.json().toString()).contains("\"quotient\":[\"returns\",\"revenue\"]");
    for (String name : List.of("rules", "playbook")) {
      assertThat(api.put("/api/v1/" + name, rules.json().toString()).json())
          .isEqualTo(rules.json());
    }
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "{\"measures\": [{\"code\": \"r\", \"quotient\": [\"joy\", \"revenue\"], \"direction\":"
            + " \"LOWER\"}]} | measures[0].quotient[0]",
        "{\"measures\": [{\"code\": \"r\", \"quotient\": [\"revenue\"], \"direction\": \"LOWER\"}]}"
            + " | measures[0].quotient",
        "{\"measures\": [{\"code\": \"r\", \"quotient\": [\"returnRate\", \"revenue\"],"
            + " \"direction\": \"LOWER\"}]} | measures[0].quotient",
        "{\"measures\": [{\"code\": \"a.low\", \"unit\": \"EUR\", \"scale\": 2, \"direction\":"
            + " \"LOWER\"}]} | measures[0].code",
        "{\"calendar\": {\"startMonth\": 7, \"holidays\": [\"Easter\"]}} | calendar.holidays[0]"
      })
  void brokenRule_namesItsPlace(String file, String place) {
    Api.Answer answer = api.put("/api/v1/playbook", file);
    assertThat(answer.code()).isEqualTo("playbook-invalid");
    assertThat(answer.text("place")).isEqualTo(place);
  }

  @Test
  void savedViews_areKeptByName() {
    assertThat(
            api.put("/api/v1/views/My%20team", "{\"address\": \"/standing?axis=region\"}").status())
        .isEqualTo(200);
    Api.Answer again = api.put("/api/v1/views/my%20TEAM", "{\"address\": \"/standing?axis=rep\"}");
    assertThat(texts(again.json(), "name")).containsExactly("my TEAM");
    assertThat(texts(again.json(), "address")).containsExactly("/standing?axis=rep");
    assertThat(api.put("/api/v1/views/x", "{\"address\": \"https://elsewhere\"}").code())
        .isEqualTo("view-invalid");
    assertThat(api.put("/api/v1/views/%20", "{\"address\": \"/standing\"}").code())
        .isEqualTo("view-invalid");
    assertThat(api.delete("/api/v1/views/My%20Team").json().size()).isZero();
  }

  @Test
  void aFile_saysWhatItWouldChangeAndChangesNothing() {
    String before = api.get("/api/v1/rules").json().toString();
    JsonNode changes =
        api.post(
                "/api/v1/rules/changes",
                "{\"company\": {\"name\": \"Kontor\"}, \"calendar\": {\"startMonth\": 7}}")
            .json();
    assertThat(changes.toString()).contains("Kontor");
    assertThat(changes.valueStream().map(change -> change.get("subject").asString()))
        .contains("company");
    assertThat(api.get("/api/v1/rules").json().toString()).isEqualTo(before);
    assertThat(api.post("/api/v1/rules/changes", before).json())
        .as("the rules themselves change nothing")
        .isEmpty();
    assertThat(api.post("/api/v1/rules/changes", "{\"nonsense\": 1}").code())
        .isEqualTo("playbook-invalid");
  }

  @Test
  void theClosestThresholds_decideAndTheOthersAreNamed() {
    String ladder =
        "{\"measure\": \"returns\", %s \"scale\": \"percent-to-goal\", \"rungs\": [{\"name\": \"low\","
            + " \"tone\": \"good\"}, {\"name\": \"%s\", \"tone\": \"bad\", \"from\": \"1\"}]}";
    put("{\"ladders\": [" + ladder.formatted("", "much") + "]}");
    put(
        "{\"ladders\": ["
            + ladder.formatted("\"goalSet\": \"limit\", \"axis\": \"product\",", "too much")
            + "]}");
    String at = "/api/v1/rules/decides?measure=returns&month=2026-10&axis=";
    JsonNode decides = api.get(at + "product&goalSet=limit").json();
    assertThat(decides.get("words").asString()).isEqualTo("returns against limit by product");
    assertThat(decides.at("/rungs/1/name").asString()).isEqualTo("too much");
    assertThat(decides.at("/others/0").asString()).isEqualTo("returns");
    assertThat(api.get(at + "rep&goalSet=limit").json().at("/rungs/1/name").asString())
        .isEqualTo("much");
    assertThat(
            api.get("/api/v1/rules/decides?measure=revenue&month=2026-10&axis=region")
                .json()
                .get("words")
                .asString())
        .startsWith("default");
    assertThat(api.get(at + "planet").code()).isEqualTo("value-unknown");
    assertThat(api.get("/api/v1/rules/decides?measure=returns&axis=rep&month=x").code())
        .isEqualTo("month-unreadable");
  }
}
