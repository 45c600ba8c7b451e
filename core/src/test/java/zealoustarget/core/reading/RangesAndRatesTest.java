package zealoustarget.core.reading;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.junit.jupiter.api.Assertions.assertTimeoutPreemptively;

import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import tools.jackson.databind.JsonNode;
import zealoustarget.core.amount.Direction;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.amount.Writing;
import zealoustarget.core.ladder.Ladder;
import zealoustarget.core.ladder.Rung;
import zealoustarget.core.ladder.Scale;
import zealoustarget.core.ladder.Tone;
import zealoustarget.core.ledger.Ledger;
import zealoustarget.core.ledger.query.Basis;
import zealoustarget.core.ledger.query.Filters;
import zealoustarget.core.ledger.query.StandingQuery;
import zealoustarget.core.member.Axis;
import zealoustarget.core.testing.Cases;
import zealoustarget.core.testing.Company;

class RangesAndRatesTest {
  private static final String[] FORECAST_REPS = {"G1", "G2", "G3", "G4", "G5"};
  private static final long[] SOLD = {899_99, 900_00, 1000_00, 1100_00, 1100_01};
  private static final Measure RETURNS = new Measure("returns", "EUR", 2, Direction.LOWER);
  private static final Measure RATE =
      Measure.rate("returnRate", RETURNS, Company.REVENUE, Direction.LOWER);
  private static final Ladder RATE_LADDER =
      new Ladder(
          Scale.VALUE,
          List.of(
              Rung.first("within", Tone.GOOD),
              Rung.from("watch", Tone.NEAR, Ratio.of(8, 1000)),
              Rung.above("over", Tone.BAD, Ratio.of(12, 1000))));

  static Stream<JsonNode> ranges() {
    return Cases.read("range-goals").at("/core/ranges").valueStream();
  }

  @ParameterizedTest
  @MethodSource("ranges")
  void range_asWorked(JsonNode worked) {
    Company company = new Company("revenue");
    for (int i = 0; i < SOLD.length; i++) {
      String rep = FORECAST_REPS[i];
      company.sold("2025-07", rep, null, SOLD[i]).sold("2025-08", rep, null, SOLD[i]);
      company.range("forecast", Axis.REP, "revenue", "2025-07", rep, 900_00, 1100_00L);
      company.range("forecast", Axis.REP, "revenue", "2025-08", rep, 850_00, 1000_05L);
    }
    StandingQuery query =
        Company.query(
                Axis.REP,
                Company.REVENUE,
                worked.get("from").asString(),
                worked.get("to").asString(),
                "forecast")
            .withLadder(Ladder.ofRange(Direction.HIGHER));
    Ledger ledger = company.ledger();
    String member = worked.get("member").asString();
    Standing.Row row =
        member.equals("total")
            ? ledger.total(query)
            : ledger.reading(query, company.id(Axis.REP, member));
    Reading reading = row.reading();
    assertThat(reading.actual()).isEqualTo(Cases.cents(worked.get("actual")));
    assertThat(reading.range().low()).isEqualTo(Cases.cents(worked.get("low")));
    assertThat(reading.range().high()).isEqualTo(Cases.cents(worked.get("high")));
    assertThat(reading.variance().abs()).isEqualTo(Cases.cents(worked.get("by")));
    assertThat(reading.position().name()).isEqualToIgnoringCase(worked.get("position").asString());
    assertThat(row.status().word()).isEqualTo(worked.get("position").asString());
  }

  @ParameterizedTest
  @CsvSource({
    "80, -20, -20, 20, 0, below",
    "100, 0, 0, 0, 0, inside",
    "150, 0, 0, 0, 0, inside",
    "200, 0, 0, 0, 0, inside",
    "230, 30, -30, 0, 30, above"
  })
  void rangeFigures_areDistances(
      long actual, long variance, long favourable, long shortfall, long excess, String word) {
    for (Direction direction : Direction.values()) {
      Reading reading = reading(direction, actual, new Goal.Range(Ratio.of(100), Ratio.of(200)));
      assertThat(reading.variance()).isEqualTo(Ratio.of(variance));
      assertThat(reading.favourable()).isEqualTo(Ratio.of(favourable));
      assertThat(reading.shortfall()).isEqualTo(Ratio.of(shortfall));
      assertThat(reading.excess()).isEqualTo(Ratio.of(excess));
      assertThat(reading.variancePercent()).isNull();
      assertThat(reading.attainment()).isEqualTo(Ratio.of(actual, 150));
      Status status = Status.of(reading, Ladder.ofRange(direction), Ratio.of(100), null);
      assertThat(status.word()).isEqualTo(word);
    }
  }

  @Test
  void rangeReversed_refused() {
    assertThatIllegalArgumentException()
        .isThrownBy(() -> new Goal.Range(Ratio.of(2), Ratio.of(1)))
        .withMessageContaining("low");
  }

  @ParameterizedTest
  @CsvSource({"90, -10, -10", "100, 0, 0", "125, 25, -25"})
  void nearest_hasNoShortfallAndNoExcess(long actual, long variance, long favourable) {
    Reading reading = reading(Direction.NEAREST, actual, Goal.of(100));
    assertThat(reading.variance()).isEqualTo(Ratio.of(variance));
    assertThat(reading.favourable()).isEqualTo(Ratio.of(favourable));
    assertThat(reading.shortfall()).isNull();
    assertThat(reading.excess()).isNull();
    assertThat(reading.isReached()).isEqualTo(variance == 0);
    assertThat(reading.miss()).isEqualTo(Ratio.of(-favourable));
  }

  static Stream<JsonNode> rates() {
    return Cases.read("return-rate").at("/core/rates").valueStream();
  }

  @ParameterizedTest
  @MethodSource("rates")
  void rate_asWorked(JsonNode worked) {
    Company company = returns();
    String of = worked.get("of").asString();
    StandingQuery query =
        Company.query(
                Axis.PRODUCT,
                RATE,
                worked.get("from").asString(),
                worked.get("to").asString(),
                "limits")
            .withLadder(RATE_LADDER);
    if (of.startsWith("line ")) {
      int line = company.id(Axis.LINE, of.substring(5));
      query = query.withFilters(new Filters(Map.of(Axis.LINE, Set.of(line))));
    }
    Ledger ledger = company.ledger();
    boolean isTotal = of.equals("total") || of.startsWith("line ");
    Integer product = isTotal ? null : company.id(Axis.PRODUCT, of);
    Standing.Row row = isTotal ? ledger.total(query) : ledger.reading(query, product);
    Ledger.SpanParts parts = ledger.parts(query, product);
    assertThat(parts.over()).isEqualTo(Cases.cents(worked.get("numerator")));
    assertThat(parts.under()).isEqualTo(Cases.cents(worked.get("denominator")));
    Reading reading = row.reading();
    assertThat(plain(reading.actual())).isEqualTo(Cases.ratio(worked.get("rate")));
    assertThat(plain(reading.goalAmount())).isEqualTo(Cases.ratio(worked.get("goal")));
    assertThat(plain(reading.variance())).isEqualTo(Cases.ratio(worked.get("variance")));
    assertThat(plain(reading.favourable())).isEqualTo(Cases.ratio(worked.get("favourable")));
    assertThat(reading.attainment()).isEqualTo(Cases.ratio(worked.get("attainment")));
    assertThat(row.status().word()).isEqualTo(worked.get("status").asString());
  }

  @Test
  void rateStanding_hasARowForAGoalWithoutDenominator_andNoRateOfNothing() {
    Ledger ledger = returns().ledger();
    Standing standing =
        ledger.standing(
            Company.query(Axis.PRODUCT, RATE, "2025-07", "2025-07", "limits")
                .withLadder(RATE_LADDER));
    assertThat(standing.rows()).extracting(row -> row.member().key()).contains("Q6").hasSize(7);
    assertThat(standing.highest().member().key()).isEqualTo("Q4");
    assertThat(standing.lowest().member().key()).isEqualTo("Q5");
    assertThat(
            Explanation.ofRate(Ratio.of(3_00), Ratio.ZERO, none(), RATE.quotient(), Writing.NONE)
                .why())
        .isEqualTo("nothing to divide by");
    assertThat(none().noReading()).isEqualTo(NoReading.NOTHING_TO_DIVIDE_BY);
    assertThat(RATE.text(Ratio.parse("1400000"))).isEqualTo("0.014");
  }

  @Test
  void rateAgainstItself_aYearBefore() {
    Company company =
        new Company("returns", "revenue")
            .sold("2024-07", null, "Q1", 1_00, 100_00)
            .sold("2025-07", null, "Q1", 3_00, 150_00);
    StandingQuery query =
        Company.query(Axis.PRODUCT, RATE, "2025-07", "2025-07", null)
            .withBasis(new Basis.PriorYear(Ratio.of(11, 10)), RATE_LADDER);
    Reading reading = company.ledger().total(query).reading();
    assertThat(plain(reading.goalAmount())).isEqualTo(Ratio.of(11, 1000));
    assertThat(reading.growthOnYear()).isEqualTo(Ratio.ONE);
  }

  @Test
  void thousandsOfRates_areSummedInNoTime() {
    Company company = new Company("returns", "revenue");
    for (int product = 0; product < 3_000; product++) {
      company.sold("2025-07", null, "P" + product, 1_000 + product, 90_001 + 2L * product);
      limit(company, "2025-07", "P" + product, 100_000);
    }
    Standing standing =
        company
            .ledger()
            .standing(Company.query(Axis.PRODUCT, RATE, "2025-07", "2025-07", "limits"));
    assertTimeoutPreemptively(
        Duration.ofSeconds(20),
        () -> {
          assertThat(standing.shortfallHolders()).isBetween(1, 2_999);
          assertThat(standing.meanOfMembers()).isGreaterThan(Ratio.ONE);
        });
  }

  @Test
  void rate_ofARate_refused() {
    assertThatIllegalArgumentException()
        .isThrownBy(() -> Measure.rate("again", RATE, RETURNS, Direction.LOWER));
  }

  @Test
  void explanationOfARange_saysTheEndsAndTheMidpoint() {
    Goal range = new Goal.Range(Ratio.of(100_00), Ratio.of(200_00));
    List<Explanation> outside =
        Explanation.of(reading(Direction.HIGHER, 80_00, range), Company.REVENUE, Writing.NONE);
    assertThat(outside.get(0))
        .isEqualTo(new Explanation("variance", "80.00 − 100.00", "-20.00", null));
    assertThat(outside.get(1).why()).isEqualTo("a range has none");
    assertThat(outside.get(2).formula()).isEqualTo("80.00 ÷ ((100.00 + 200.00) ÷ 2)");
    List<Explanation> inside =
        Explanation.of(reading(Direction.HIGHER, 150_00, range), Company.REVENUE, Writing.NONE);
    assertThat(inside.get(0).formula()).isEqualTo("100.00 ≤ 150.00 ≤ 200.00");
  }

  private static Company returns() {
    Company company = new Company("returns", "revenue");
    String[] lines = {"rope", "rope", "rope", "deck", "deck", "deck", "deck"};
    for (int i = 0; i < lines.length; i++) {
      company.product("Q" + (i + 1), lines[i]);
    }
    long[][] july = {
      {7_99, 1000_00},
      {8_00, 1000_00},
      {12_00, 1000_00},
      {12_01, 1000_00},
      {0, 250_00},
      {3_00, 0},
      {30_00, 3000_00}
    };
    for (int i = 0; i < july.length; i++) {
      company.sold("2025-07", null, "Q" + (i + 1), july[i]);
    }
    company.sold("2025-08", null, "Q1", 20_00, 1000_00).sold("2025-08", null, "Q2", 0, 3000_00);
    limit(company, "2025-07", "Q1", 1_000_000);
    limit(company, "2025-07", "Q2", 1_000_000);
    limit(company, "2025-07", "Q3", 1_000_000);
    limit(company, "2025-07", "Q4", 1_200_000);
    limit(company, "2025-07", "Q6", 1_000_000);
    limit(company, "2025-07", "Q7", 800_000);
    limit(company, "2025-08", "Q1", 1_000_000);
    limit(company, "2025-08", "Q2", 2_000_000);
    return company;
  }

  private static void limit(Company company, String month, String product, long rate) {
    company.goal("limits", Axis.PRODUCT, "returnRate", month, product, rate);
  }

  private static Ratio plain(Ratio rate) {
    return rate == null ? null : rate.dividedBy(RATE.unitsPerOne());
  }

  private static Reading none() {
    return new Reading(Direction.LOWER, null, Goal.MISSING, 0, null, null);
  }

  private static Reading reading(Direction direction, long actual, Goal goal) {
    return new Reading(direction, Ratio.of(actual), goal, 1, null, null);
  }
}
