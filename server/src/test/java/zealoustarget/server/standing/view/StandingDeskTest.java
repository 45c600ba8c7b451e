package zealoustarget.server.standing.view;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.math.BigDecimal;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;
import zealoustarget.server.testing.Api;

/** Everything that the desk asks for, over HTTP, on a company small enough to reckon by hand. */
class StandingDeskTest extends StandingServer {
  @Test
  void ranges_haveEndsAndAPosition_andNoGoal() {
    JsonNode standing = standing("goalSet=forecast&" + OCTOBER);
    JsonNode low = row(standing, "K1");
    assertThat(low.get("goal").isNull()).isTrue();
    assertThat(text(low, "goalLow")).isEqualTo("90.00");
    assertThat(text(low, "goalHigh")).isEqualTo("110.00");
    assertThat(text(low, "position")).isEqualTo("below");
    assertThat(text(low, "status")).isEqualTo("below");
    assertThat(text(low, "variance")).isEqualTo("-10.00");
    assertThat(text(row(standing, "K3"), "position")).isEqualTo("inside");
    assertThat(text(row(standing, "K2"), "excess")).isEqualTo("10.00");
    assertThat(headline(standing)).contains("Two of three reps are outside their range.");
    assertThat(standing.get("isRange").asBoolean()).isTrue();
  }

  @Test
  void rates_areQuotientsOfSums_withTheirOwnFigures() {
    JsonNode standing = standing("axis=product&measure=returnRate&goalSet=limits&" + OCTOBER);
    JsonNode cleat = row(standing, "P1");
    // 4.60 of 257.96
    assertThat(new BigDecimal(text(cleat, "actual")).doubleValue())
        .isCloseTo(0.017832, within(0.0000005));
    assertThat(text(cleat, "goal")).isEqualTo("0.015");
    assertThat(text(cleat.get("rate"), "actual")).isEqualTo("1.8");
    assertThat(text(cleat, "status")).isEqualTo("over");
    assertThat(standing.get("unit").asString()).isEqualTo("rate");
    JsonNode proof =
        api.get("/api/v1/standing/product/P1/proof?measure=returnRate&goalSet=limits&" + OCTOBER)
            .json();
    assertThat(proof.at("/formulas/0/formula").asString()).isEqualTo("4.60 ÷ 257.96");
    assertThat(proof.get("rows").size()).isEqualTo(4);
  }

  @Test
  void sharesOfTheGoal_areShown_andTwoVariancesShareOneShading() {
    JsonNode standing = standing("goalSet=quota&beside=prior-period&" + OCTOBER);
    assertThat(text(standing, "measureName")).isEqualTo("Revenue");
    for (JsonNode row : standing.get("rows")) {
      JsonNode spoken = row.get("spoken");
      if (row.get("attainment").isNull()) {
        assertThat(spoken.get("remainingShown").isNull()).isTrue();
        continue;
      }
      BigDecimal percent = new BigDecimal(text(row, "attainment")).movePointRight(2);
      BigDecimal hundred = new BigDecimal(100);
      assertThat(new BigDecimal(text(spoken, "remainingShown")))
          .isCloseTo(
              hundred.subtract(percent).max(BigDecimal.ZERO), within(new BigDecimal("0.05")));
      assertThat(new BigDecimal(text(spoken, "overShown")))
          .isCloseTo(
              percent.subtract(hundred).max(BigDecimal.ZERO), within(new BigDecimal("0.05")));
      JsonNode beside = row.get("beside");
      if (beside.get("favourable").isNull()) {
        continue;
      }
      int side = new BigDecimal(text(beside, "favourable")).signum();
      int tone = beside.get("shade").isNull() ? 0 : new BigDecimal(text(beside, "shade")).signum();
      assertThat(tone).isEqualTo(side);
    }
  }

  @Test
  void groups_haveSubtotals_andAGoalSetOfTheirOwnAxis() {
    JsonNode byRegion = standing("goalSet=quota&group=region&" + OCTOBER);
    assertThat(texts(byRegion.get("groups"), "key")).containsExactly("North", "South", "");
    assertThat(text(byRegion.at("/groups/0"), "actual")).isEqualTo("200.00");
    assertThat(text(byRegion.at("/groups/0"), "goal")).isEqualTo("200.00");
    assertThat(texts(byRegion.get("rows"), "group"))
        .containsExactly("North", "North", "South", "South");
    JsonNode withPlan = standing("goalSet=plan&group=region&" + OCTOBER);
    assertThat(text(withPlan.at("/groups/0"), "goal")).isEqualTo("180.00");
    assertThat(withPlan.at("/rows/0/goal").isNull()).isTrue();
    assertThat(text(withPlan.get("total"), "goal")).isEqualTo("300.00");
    assertThat(headline(withPlan)).contains("Only South is short");
  }

  @Test
  void underAGoalOfTheCompany_rowsShowTheirShareAndNoStatus() {
    api.loadAndPost(
        "company goal.csv",
        "month,revenue\n2026-10,400.00\n",
        "kind",
        "goals",
        "goalSet",
        "company goal",
        "axis",
        "company");
    JsonNode standing = standing("goalSet=company%20goal&" + OCTOBER);
    assertThat(text(standing.get("companyGoal"), "goal")).isEqualTo("400.00");
    assertThat(text(standing.get("companyGoal"), "remaining")).isEqualTo("85.04");
    JsonNode row = row(standing, "K2");
    assertThat(text(row, "shareOfCompany")).isEqualTo("30.0");
    assertThat(row.get("goal").isNull()).isTrue();
    assertThat(text(row, "noReading")).isEqualTo("no goal");
    assertThat(text(standing.get("total"), "shareOfCompany")).isEqualTo("78.7");
    assertThat(headline(standing).replace('\u00a0', ' '))
        .contains("78.7 % of the company's goal of 400.00 EUR");
    JsonNode filtered = standing("goalSet=company%20goal&only=K2&" + OCTOBER);
    assertThat(text(filtered.get("total"), "shareOfCompany")).isEqualTo("30.0");
    assertThat(text(filtered.get("companyGoal"), "remaining")).isEqualTo("85.04");
    assertThat(standing("goalSet=quota&" + OCTOBER).has("companyGoal")).isFalse();
  }

  @Test
  void secondBasis_standsBesideTheFirst_forRowsAndTotal() {
    JsonNode standing = standing("goalSet=quota&beside=prior-year&" + OCTOBER);
    assertThat(text(standing, "beside")).isEqualTo("last year");
    assertThat(text(row(standing, "K1").get("beside"), "variance")).isEqualTo("-20.00");
    assertThat(text(row(standing, "K1"), "variance")).isEqualTo("-20.00");
    assertThat(row(standing, "K3").at("/beside/variance").isNull()).isTrue();
    assertThat(text(standing.at("/total/beside"), "goal")).isEqualTo("180.00");
    JsonNode other = standing("beside=set:quota&basis=prior-year&text=ines&" + OCTOBER);
    assertThat(text(other.at("/total/beside"), "goal")).isEqualTo("100.00");
  }

  @ParameterizedTest
  @CsvSource({
    "text=jor, K2",
    "text=south, K3 K4",
    "only=K1&only=K3, K1 K3",
    "status=behind, K1",
    "status=no goal, K4",
    "status=near&status=behind, K1 K3",
    "top=1, K2",
    "bottom=1, K1",
    "bottom=2&by=actual, K1 K4",
    "missOver=0.04, K1",
    "missOver=0.03, K1 K3",
    "attainmentFrom=0.9&attainmentTo=1.2, K2 K3"
  })
  void narrowing_keepsTheRows_andRecomputesTheTotal(String query, String keys) {
    JsonNode standing = standing("goalSet=quota&" + OCTOBER + "&" + query.replace(" ", "%20"));
    assertThat(String.join(" ", texts(standing.get("rows"), "key"))).isEqualTo(keys);
    BigDecimal sum =
        texts(standing.get("rows"), "actual").stream()
            .map(BigDecimal::new)
            .reduce(BigDecimal.ZERO, BigDecimal::add);
    assertThat(new BigDecimal(text(standing.get("total"), "actual"))).isEqualByComparingTo(sum);
    assertThat(standing.at("/leftOut/members").asInt()).isEqualTo(4 - keys.split(" ").length);
  }

  @ParameterizedTest
  @CsvSource({
    "group=company, group",
    "beside=next-year, beside",
    "top=0, top",
    "top=1&bottom=1, bottom",
    "top=1&by=luck, by",
    "missOver=much, missOver",
    "only=K9, rep",
    "asOf=2026-09-30, asOf",
    "asOf=soon, asOf"
  })
  void unknownWish_is400_withItsName(String query, String name) {
    Api.Answer answer = api.get("/api/v1/standing?goalSet=quota&to=2026-10&" + query);
    assertThat(answer.status()).isEqualTo(400);
    assertThat(answer.code()).isEqualTo("value-unknown");
    assertThat(answer.text("name")).isEqualTo(name);
  }

  @Test
  void emptyMonth_isTakenApartByNothing_andARunningOneBesideItIsJudgedToDate() {
    String december = "?goalSet=quota&from=2026-12&to=2026-12";
    JsonNode closeUp = api.get("/api/v1/standing/rep/K1/close-up" + december).json();
    assertThat(text(closeUp.get("reading"), "noReading")).contains("no actuals yet");
    assertThat(closeUp.get("parts")).as("no red for what is to come").isEmpty();
    assertThat(closeUp.get("lastYear").isNull()).isTrue();
    assertThat(closeUp.get("required").isNull()).isTrue();
    JsonNode november =
        api.get("/api/v1/standing/rep/K1/path" + december).json().get("months").get(4);
    assertThat(text(november, "month")).isEqualTo("2026-11");
    assertThat(text(november.at("/reading/spoken"), "kind")).isEqualTo("to-date");
    assertThat(text(november.at("/reading/toDate"), "asOf")).isEqualTo("2026-11-12");
  }

  @Test
  void openMonth_looksAhead_fromTheLastPostedDay() {
    JsonNode november = standing("goalSet=quota&from=2026-11&to=2026-11");
    // 12 November 2026 is the 8th working day of 20, the 11th being a holiday
    assertThat(text(november.get("openMonth"), "asOf")).isEqualTo("2026-11-12");
    assertThat(november.at("/openMonth/elapsed").asInt()).isEqualTo(8);
    assertThat(november.at("/openMonth/workingDays").asInt()).isEqualTo(20);
    assertThat(text(row(november, "K1").get("ahead"), "expected")).isEqualTo("40.00");
    assertThat(text(row(november, "K1").get("ahead"), "pace")).isEqualTo("0.5");
    assertThat(text(row(november, "K1").get("ahead"), "landing")).isEqualTo("50.00");
    assertThat(
            standing("goalSet=quota&from=2026-11&to=2026-11&asOf=none").get("openMonth").isNull())
        .isTrue();
    assertThat(standing("goalSet=quota&" + "from=2026-10&to=2026-10").get("openMonth").isNull())
        .isTrue();
    JsonNode early = standing("goalSet=quota&from=2026-11&to=2026-11&asOf=2026-11-02");
    assertThat(early.at("/openMonth/elapsed").asInt()).isEqualTo(1);
  }

  @Test
  void sheet_hasMonthsAcross_withTotalsBothWays() {
    JsonNode sheet = api.get("/api/v1/standing/sheet?goalSet=quota&from=2026-09&to=2026-10").json();
    assertThat(texts(sheet.get("months"), null)).containsExactly("2026-09", "2026-10");
    assertThat(texts(sheet.get("totals"), "actual")).containsExactly("190.00", "314.96");
    assertThat(text(sheet.get("total"), "actual")).isEqualTo("504.96");
    JsonNode ines = sheet.at("/rows/0");
    assertThat(text(ines.get("whole"), "actual")).isEqualTo("170.00");
    assertThat(texts(ines.get("cells"), "status")).containsExactly("near", "behind");
    assertThat(sheet.at("/rows/2/cells/0").isNull()).isTrue();
  }

  @Test
  void closeUp_hasRankMilestonesRequiredAndParts() {
    JsonNode ines = api.get("/api/v1/standing/rep/K1/close-up?goalSet=quota&" + OCTOBER).json();
    assertThat(ines.get("place").asInt()).isEqualTo(3);
    assertThat(ines.get("places").asInt()).isEqualTo(3);
    assertThat(ines.get("placeBefore").asInt()).isEqualTo(2);
    assertThat(text(ines.at("/milestones/0"), "name")).isEqualTo("near");
    assertThat(text(ines.at("/milestones/0"), "toGo")).isEqualTo("10.00");
    // quotas of 450 in the year, 170 sold to October, eight months left
    assertThat(text(ines.get("required"), "perMonth")).isEqualTo("35.00");
    JsonNode byLine = ines.at("/parts/0");
    assertThat(text(byLine, "split")).isEqualTo("last-years-mix");
    assertThat(texts(byLine.get("parts"), "variance")).containsExactly("-10.00", "-10.00");
    JsonNode north =
        api.get("/api/v1/standing/region/North/close-up?goalSet=plan&" + OCTOBER).json();
    assertThat(texts(north.get("assigned"), "goalSet")).contains("quota");
    assertThat(assigned(north, "quota", "amount")).isEqualTo("200.00");
    assertThat(new BigDecimal(assigned(north, "quota", "over")).doubleValue())
        .isCloseTo(0.111111, within(0.000001));
    JsonNode total = api.get("/api/v1/standing/rep/*/close-up?goalSet=quota&" + OCTOBER).json();
    assertThat(total.get("place").isNull()).isTrue();
    assertThat(text(total.at("/parts/0"), "axis")).isEqualTo("region");
    assertThat(text(total.at("/parts/0"), "split")).isEqualTo("own-goals");
  }

  @Test
  void narrowedTotal_isExplainedByWhatIsKept() {
    String query = "goalSet=quota&only=K1&only=K2&" + OCTOBER;
    JsonNode standing = standing(query);
    JsonNode closeUp = api.get("/api/v1/standing/rep/*/close-up?" + query).json();
    assertThat(text(closeUp.get("reading"), "actual"))
        .isEqualTo(text(standing.get("total"), "actual"))
        .isEqualTo("200.00");
    assertThat(closeUp.get("required").toString()).contains("\"yearGoal\":\"650.00\"");
    JsonNode path = api.get("/api/v1/standing/rep/*/path?" + query).json();
    assertThat(text(path.at("/months/3/reading"), "actual")).isEqualTo("200.00");
    JsonNode proof = api.get("/api/v1/standing/rep/*/proof?" + query).json();
    assertThat(proof.get("rowCount").asInt()).isEqualTo(3);
    assertThat(text(proof.get("inputs"), "actual")).isEqualTo("200.00");
  }

  @Test
  void path_hasSumsToDate_andEachMonthAmongAll() {
    JsonNode path =
        api.get("/api/v1/standing/region/North/path?goalSet=plan&atOrAbove=1&" + OCTOBER).json();
    JsonNode october = path.at("/months/3");
    assertThat(text(october, "month")).isEqualTo("2026-10");
    assertThat(text(october.get("toDate"), "actual")).isEqualTo("390.00");
    assertThat(text(october.get("among"), "average")).isEqualTo("154.98");
    assertThat(text(october.at("/among/highest"), "key")).isEqualTo("North");
    assertThat(text(october.at("/among/lowest"), "key")).isEqualTo("South");
    assertThat(october.at("/among/atOrBetter").asInt()).isEqualTo(1);
    assertThat(october.at("/among/withGoal").asInt()).isEqualTo(2);
  }

  @Test
  void withoutALoad_theStandingIsAsBefore() {
    assertThat(text(row(standing("goalSet=quota&" + OCTOBER), "K4"), "actual")).isEqualTo("10.00");
    JsonNode before = standing("goalSet=quota&without=" + late + "&" + OCTOBER);
    assertThat(text(row(before, "K4"), "actual")).isEqualTo("7.00");
    assertThat(api.get("/api/v1/standing?without=999").code()).isEqualTo("load-unknown");
    assertThat(api.get("/api/v1/standing?without=x").code()).isEqualTo("load-unknown");
  }
}
