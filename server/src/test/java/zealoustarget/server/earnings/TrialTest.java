package zealoustarget.server.earnings;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import zealoustarget.server.testing.Api;

/** What might be, over the wire: marked as a trial everywhere, and nothing is stored. */
class TrialTest extends EarningsServer {
  private static final String AUGUST = "/api/v1/standing?axis=rep&to=2026-08&goalSet=quota";
  private static final String DESK = "/api/v1/earnings/desk?month=2026-08";

  private JsonNode rowOf(JsonNode answer, String key) {
    return answer
        .get("rows")
        .valueStream()
        .filter(row -> row.path("key").asString(row.path("rep").asString("")).equals(key))
        .findFirst()
        .orElseThrow();
  }

  @Test
  void standing_byOtherGoals_thresholdsAndAtItsPace_saysSoInTheHeadline() {
    JsonNode before = api.get(AUGUST).json();
    assertThat(before.get("trial").isNull()).isTrue();
    JsonNode tried =
        api.get(AUGUST + "&trialFactor=7&trialThresholds=0.5,0.6,0.9&trialPace=end").json();
    assertThat(tried.get("trial").valueStream().map(JsonNode::asString))
        .containsExactly(
            "goals × 7",
            "thresholds 50 %, 60 %, 90 %",
            "August 2026 ends at its pace (day 3 of 21)");
    assertThat(tried.at("/headline/0/text").asString())
        .startsWith("Trial, nothing is saved: goals × 7; thresholds");
    JsonNode ada = rowOf(tried, "A");
    assertThat(ada.get("actual").asString()).isEqualTo("6300.00");
    assertThat(ada.get("goal").asString()).isEqualTo("7000.00");
    assertThat(ada.get("attainment").asString()).isEqualTo("0.9");
    assertThat(ada.get("status").asString()).isEqualTo("well past");
    assertThat(ada.get("toDate").isNull()).isTrue();
    assertThat(tried.at("/total/actual").asString()).isEqualTo("13790.00");
    String closeUp = "/api/v1/standing/rep/A/close-up?to=2026-08&goalSet=quota&trialFactor=7";
    assertThat(api.get(closeUp + "&trialPace=end").json().at("/reading/variance").asString())
        .isEqualTo("-700.00");
    JsonNode eleven = api.get(AUGUST + "&asOf=2026-08-17&trialPace=end").json();
    assertThat(rowOf(eleven, "A").get("actual").asString())
        .as("900.00 by 11 of 21 days, rounded where it is shown")
        .isEqualTo("1718.18");
    assertThat(rowOf(eleven, "A").at("/spoken/variance").asString()).isEqualTo("718.18");
    assertThat(api.get(AUGUST).json()).as("nothing is stored").isEqualTo(before);
  }

  @Test
  void standing_ofAMonthThatIsOver_saysThatItsPaceChangesNothing() {
    api.post("/api/v1/months/2026-07/seal");
    JsonNode tried = api.get(AUGUST.replace("2026-08", "2026-07") + "&trialPace=end").json();
    assertThat(tried.at("/trial/0").asString())
        .isEqualTo("July 2026 is over, so its pace changes nothing");
    assertThat(rowOf(tried, "A").get("actual").asString()).isEqualTo("1200.00");
  }

  @Test
  void trialsThatDoNotFit_areRefusedByName() {
    for (String wrong :
        List.of(
            "trialThresholds=0.5,0.6",
            "trialThresholds=0.5,0.6,0.6",
            "trialThresholds=0.5,,0.6",
            "trialThresholds=half,0.6,0.7",
            "trialPace=fast")) {
      Api.Answer refused = api.get(AUGUST + "&" + wrong);
      assertThat(refused.status()).as(wrong).isEqualTo(400);
      assertThat(refused.code()).as(wrong).isEqualTo("value-unknown");
      assertThat(refused.json().get("name").asString()).isEqualTo(wrong.split("=")[0]);
    }
    assertThat(api.get(AUGUST + "&trialFactor=0").code()).isEqualTo("factor-unreadable");
    plan("month");
    assertThat(api.get(DESK + "&trialPlan=Nowhere").code()).isEqualTo("value-unknown");
    assertThat(api.get(DESK + "&trialPace=fast").code()).isEqualTo("value-unknown");
    assertThat(api.get(DESK + "&trialFactor=-1").code()).isEqualTo("factor-unreadable");
  }

  @Test
  void earnings_byOtherQuotasAndAtItsPace_showWhatItAddsToThePayDue() {
    plan("month");
    JsonNode before = api.get(DESK).json();
    // Ada: 6 300.00 of 2 000.00: 60.00 and 4 300.00 at 5 %, and the bonus
    JsonNode tried = api.get(DESK + "&trialFactor=2&trialPace=end").json();
    JsonNode ada = rowOf(tried, "A");
    assertThat(ada.get("quota").asString()).isEqualTo("2000.00");
    assertThat(ada.get("due").asString()).isEqualTo("1775.00");
    assertThat(tried.get("headline").asString())
        .startsWith("Trial, nothing is saved: quotas × 2; August 2026 ends at its pace");
    // Bo: 7 000.00: 60.00 + 250.00 + 1 500.00 instead of 30.00 + 1 500.00
    assertThat(tried.at("/trial/due").asString()).isEqualTo("1557.00");
    assertThat(tried.at("/trial/change").asString()).isEqualTo("2028.00");
    assertThat(tried.at("/trial/changes").size()).isEqualTo(2);
    assertThat(tried.at("/totals/due").asString()).isEqualTo("3585.00");
    JsonNode statement =
        api.get("/api/v1/earnings/reps/A?month=2026-08&trialFactor=2&trialPace=end").json();
    assertThat(statement.at("/row/due").asString()).isEqualTo("1775.00");
    String totals = "/api/v1/earnings/totals?month=2026-08&text=ada&trialFactor=2&trialPace=end";
    assertThat(api.get(totals).json().get("due").asString()).isEqualTo("1775.00");
    assertThat(api.get(DESK).json()).as("nothing is stored").isEqualTo(before);
    assertThat(before.get("trial").isNull()).isTrue();
  }

  @Test
  void earnings_underAnotherPlan_areThoseOfEverybodyWhoHasOne_closedMonthsToo() {
    plan("month");
    api.put(
        "/api/v1/playbook",
        """
        {"plans": [{"name": "Flat", "measure": "revenue", "window": "month",
          "paidFrom": "first unit", "method": "sliced",
          "steps": [{"from": "0", "rate": "0.10"}], "goalSet": "quota", "reps": []}]}
        """);
    api.post("/api/v1/months/2026-07/seal");
    JsonNode tried = api.get(DESK.replace("2026-08", "2026-07") + "&trialPlan=Flat").json();
    assertThat(rowOf(tried, "A").get("earned").asString()).isEqualTo("120.00");
    assertThat(rowOf(tried, "A").get("plan").asString()).isEqualTo("Flat");
    assertThat(rowOf(tried, "B").get("earned").asString()).isEqualTo("50.00");
    assertThat(tried.get("state").asString()).isEqualTo("sealed");
    assertThat(tried.at("/trial/words/1").asString())
        .isEqualTo("July 2026 is closed and stays as it was paid");
    assertThat(row("2026-07", "A").get("plan").asString()).isEqualTo("Field");
  }
}
