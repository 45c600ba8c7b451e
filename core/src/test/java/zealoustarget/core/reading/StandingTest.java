package zealoustarget.core.reading;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import tools.jackson.databind.JsonNode;
import zealoustarget.core.amount.Direction;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.amount.Writing;
import zealoustarget.core.ladder.Ladder;
import zealoustarget.core.member.Axis;
import zealoustarget.core.testing.Cases;
import zealoustarget.core.testing.Company;

class StandingTest {
  static Stream<JsonNode> holders() {
    return Cases.read("small-tables").at("/core/shortfallHolders").valueStream();
  }

  @ParameterizedTest
  @MethodSource("holders")
  void shortfallHolders_asWorked(JsonNode worked) {
    List<Ratio> shortfalls = worked.get("shortfalls").valueStream().map(Cases::cents).toList();
    assertThat(Standing.shortfallHolders(shortfalls)).isEqualTo(worked.get("members").asInt());
  }

  @Test
  void summary_countsLiterallyAndByDirection() {
    Standing spend = standing(Direction.LOWER, "A 90/100", "B 100/100", "C 110/100", "D 5/-");
    assertThat(spend.membersWithGoal()).isEqualTo(3);
    assertThat(spend.atOrAbove(Ratio.ONE)).isEqualTo(2);
    assertThat(spend.atOrBetter(Ratio.ONE)).as("within budget").isEqualTo(2);
    assertThat(spend.reached()).isEqualTo(2);
    assertThat(spend.medianAttainment()).isEqualTo(Ratio.ONE);
    assertThat(spend.outside().noGoal()).isEqualTo(Ratio.of(5));
    assertThat(spend.attainmentOfAssigned()).isEqualTo(Ratio.ONE);
  }

  @Test
  void extremes_tiesGoToTheKeyThatSortsFirst() {
    Standing standing = standing(Direction.HIGHER, "C 7/1", "B 7/1", "A 3/1", "D 3/1");
    assertThat(standing.highest().member().key()).isEqualTo("B");
    assertThat(standing.lowest().member().key()).isEqualTo("A");
    assertThat(standing.rows()).extracting(row -> row.member().key()).isSorted();
  }

  @Test
  void noRows_haveNoSummaryFigures() {
    Standing none = standing(Direction.HIGHER);
    assertThat(none.highest()).isNull();
    assertThat(none.medianAttainment()).isNull();
    assertThat(none.shortfallHolders()).isZero();
  }

  @Test
  void headline_none_one_all_haveTheirOwnGrammar() {
    assertThat(text(standing(Direction.HIGHER))).isEqualTo("October 2026 has no actuals yet.");
    assertThat(text(standing(Direction.HIGHER, "A 5/-")))
        .isEqualTo("October 2026 has 0.05 EUR of revenue, and no goal to compare it with.");
    assertThat(text(standing(Direction.HIGHER, "A 120/100")))
        .isEqualTo(
            "October 2026 is 20.0 % ahead of quota. The one rep with a goal reached the goal.");
    assertThat(text(standing(Direction.HIGHER, "A 90/100")))
        .isEqualTo("October 2026 is 10.0 % short of quota. A is short by 0.10 EUR.");
    assertThat(text(standing(Direction.HIGHER, "A 120/100", "B 100/100")))
        .endsWith("Both reps with a goal reached the goal.");
    assertThat(text(standing(Direction.HIGHER, "A 120/100", "B 100/100", "C 1/1")))
        .endsWith("All three reps with a goal reached the goal.");
    assertThat(text(standing(Direction.HIGHER, "A 120/100", "B 90/100")))
        .isEqualTo("October 2026 is 5.0 % ahead of quota. Only B is short, by 0.10 EUR.");
    assertThat(text(standing(Direction.HIGHER, "A 90/100", "B 90/100")))
        .endsWith("Two reps are short, by 0.20 EUR together.");
    assertThat(text(standing(Direction.HIGHER, "A 10/100", "B 99/100", "C 50/100")))
        .endsWith("Two of the three reps that are short account for 99 % of the shortfall.");
    assertThat(text(standing(Direction.HIGHER, "A 10/100", "B 99/100")))
        .endsWith("One of the two reps that are short accounts for 99 % of the shortfall.");
    assertThat(text(standing(Direction.HIGHER, "A 100/100")))
        .startsWith("October 2026 is exactly on quota.");
  }

  @Test
  void headline_lowerAndOddGoals_areSaidInTheirOwnWords() {
    assertThat(text(standing(Direction.LOWER, "A 110/100", "B 80/100")))
        .isEqualTo("October 2026 is 5.0 % under quota. Only A is over, by 0.10 EUR.");
    assertThat(text(standing(Direction.LOWER, "A 80/100", "B 80/100")))
        .endsWith("Both reps with a goal stayed within the goal.");
    assertThat(text(standing(Direction.HIGHER, "A 5/-10")))
        .startsWith("October 2026 is 0.15 EUR ahead of quota.");
    assertThat(text(standing(Direction.HIGHER, "A 99999/100000")))
        .startsWith("October 2026 is 0.001 % short of quota.");
  }

  @Test
  void headline_ofRanges_countsThoseOutside_inTheRightNumber() {
    assertThat(ranges(150))
        .isEqualTo("October 2026 is inside the range of forecast. The one rep is inside.");
    assertThat(ranges(150, 160)).endsWith("Both reps are inside.");
    assertThat(ranges(150, 160, 170)).endsWith("All three reps are inside.");
    assertThat(ranges(150, 160, 80)).endsWith("One of three reps is outside its range.");
    assertThat(ranges(20, 20))
        .isEqualTo(
            "October 2026 is 1.60 EUR below the range of forecast. Two of two reps are outside"
                + " their range.");
    assertThat(ranges(500)).startsWith("October 2026 is 3.00 EUR above the range of forecast.");
  }

  private static String ranges(long... actuals) {
    Company company = new Company("revenue");
    for (int i = 0; i < actuals.length; i++) {
      company.sold("2026-10", "R" + i, null, actuals[i]);
      company.range("forecast", Axis.REP, "revenue", "2026-10", "R" + i, 100, 200L);
    }
    Standing standing =
        company
            .ledger()
            .standing(
                Company.query(Axis.REP, Company.REVENUE, "2026-10", "2026-10", "forecast")
                    .withLadder(Ladder.ofRange(Direction.HIGHER)));
    return text(standing, "forecast");
  }

  @Test
  void headline_ofTheNearest_saysTheSide_andNobodyIsShort() {
    assertThat(text(standing(Direction.NEAREST, "A 90/100", "B 100/100")))
        .isEqualTo("October 2026 is 5.0 % below quota. ");
    assertThat(text(standing(Direction.NEAREST, "A 120/100")))
        .isEqualTo("October 2026 is 20.0 % above quota. ");
  }

  @Test
  void headline_ofARate_speaksInPercent() {
    Measure returns = new Measure("returns", "EUR", 2, Direction.LOWER);
    Measure rate = Measure.rate("returnRate", returns, Company.REVENUE, Direction.LOWER);
    Company company =
        new Company("returns", "revenue")
            .sold("2026-10", null, "P1", 3_00, 100_00)
            .sold("2026-10", null, "P2", 4_00, 100_00)
            .sold("2026-10", null, "P3", 5_00, 0);
    Company aimless = company;
    assertThat(
            text(
                aimless
                    .ledger()
                    .standing(Company.query(Axis.PRODUCT, rate, "2026-10", "2026-10", null)),
                "limit"))
        .isEqualTo("October 2026 has 6.0 % as return rate, and no goal to compare it with.");
    company.goal("limit", Axis.PRODUCT, "returnRate", "2026-10", "P1", 2_000_000);
    company.goal("limit", Axis.PRODUCT, "returnRate", "2026-10", "P2", 2_000_000);
    assertThat(
            text(
                company
                    .ledger()
                    .standing(Company.query(Axis.PRODUCT, rate, "2026-10", "2026-10", "limit")),
                "limit"))
        .contains("over limit")
        .doesNotContain("%  of");
    Company nothing = new Company("returns", "revenue").sold("2026-10", null, "P3", 5_00, 0);
    assertThat(
            text(
                nothing
                    .ledger()
                    .standing(Company.query(Axis.PRODUCT, rate, "2026-10", "2026-10", "limit")),
                "limit"))
        .isEqualTo("October 2026 has nothing to divide by.");
  }

  @Test
  void headline_ofTheCompany_saysItsTotalAlone() {
    Company company =
        new Company("revenue")
            .sold("2026-10", "A", null, 90_00)
            .goal("plan", Axis.COMPANY, "revenue", "2026-10", "company", 100_00);
    Standing standing =
        company
            .ledger()
            .standing(Company.query(Axis.COMPANY, Company.REVENUE, "2026-10", "2026-10", "plan"));
    assertThat(
            Headline.of(
                    standing,
                    Axis.COMPANY,
                    new Headline.Words("The year", true, "plan", new Figures(Writing.NONE)),
                    Headline.Scope.plain("October 2026"))
                .stream()
                .map(Headline.Part::text)
                .collect(Collectors.joining()))
        .isEqualTo("The year are 10.0\u00a0% short of plan. ");
  }

  private static String text(Standing standing) {
    return text(standing, "quota");
  }

  private static String text(Standing standing, String goal) {
    Axis axis = standing.measure().isRate() ? Axis.PRODUCT : Axis.REP;
    return Headline.of(
            standing,
            axis,
            new Headline.Words("October 2026", false, goal, new Figures(Writing.NONE)),
            Headline.Scope.plain("October 2026"))
        .stream()
        .map(Headline.Part::text)
        .collect(Collectors.joining())
        .replace('\u00a0', ' ');
  }

  private static Standing standing(Direction direction, String... members) {
    Measure measure = new Measure("revenue", "EUR", 2, direction);
    return Company.ofReps("2026-10", members)
        .standing(Company.query(Axis.REP, measure, "2026-10", "2026-10", "quota"));
  }
}
