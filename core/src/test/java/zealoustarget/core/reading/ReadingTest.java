package zealoustarget.core.reading;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import zealoustarget.core.amount.Direction;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.amount.Writing;
import zealoustarget.core.ladder.Ladder;
import zealoustarget.core.ladder.Scale;
import zealoustarget.core.ladder.Shown;
import zealoustarget.core.testing.Cases;

class ReadingTest {
  private static final Measure REVENUE = new Measure("revenue", "EUR", 2, Direction.HIGHER);

  /** Every row and total of the worked cases, with its figures and those that only core has. */
  static Stream<WorkedRow> worked() {
    List<WorkedRow> rows = new ArrayList<>();
    for (String name : List.of("two-reps", "lower-spend")) {
      Direction direction = name.equals("two-reps") ? Direction.HIGHER : Direction.LOWER;
      for (JsonNode step : Cases.read(name).get("steps")) {
        if (step.get("step").asString().equals("standing")) {
          rows.add(new WorkedRow(direction, step.at("/expect/total")));
          step.at("/expect/rows").forEach(row -> rows.add(new WorkedRow(direction, row)));
        }
      }
    }
    return rows.stream();
  }

  record WorkedRow(Direction direction, JsonNode expected) {}

  @ParameterizedTest
  @MethodSource("worked")
  void figures_asWorked(WorkedRow worked) {
    JsonNode expected = worked.expected();
    Ratio goal = Cases.cents(expected.get("goal"));
    Reading reading =
        new Reading(
            worked.direction(),
            Cases.cents(expected.get("actual")),
            goal == null ? Goal.MISSING : Goal.of(goal),
            1,
            null,
            null);
    assertThat(reading.variance()).isEqualTo(Cases.cents(expected.get("variance")));
    assertThat(reading.favourable()).isEqualTo(Cases.cents(expected.get("favourable")));
    assertThat(reading.variancePercent()).isEqualTo(Cases.ratio(expected.get("variancePercent")));
    assertThat(reading.attainment()).isEqualTo(Cases.ratio(expected.get("attainment")));
    assertThat(reading.shortfall()).isEqualTo(Cases.cents(expected.get("shortfall")));
    assertThat(reading.excess()).isEqualTo(Cases.cents(expected.get("excess")));
    JsonNode core = expected.get("core");
    assertThat(reading.achieved()).isEqualTo(Cases.ratio(core.get("achieved")));
    assertThat(reading.remaining()).isEqualTo(Cases.ratio(core.get("remaining")));
    assertThat(reading.over()).isEqualTo(Cases.ratio(core.get("over")));
    Ladder ladder = Ladder.defaultOf(worked.direction());
    Status status = Status.of(reading, ladder, Ratio.of(100), null);
    assertThat(status.word()).isEqualTo(expected.get("status").asString());
    if (!core.get("percentShown").isNull()) {
      assertThat(Shown.percent(reading.attainment(), ladder))
          .isEqualTo(core.get("percentShown").asString());
    }
  }

  @Test
  void growth_onNothingOrZero_isUndefined_onALossCountsWithoutItsSign() {
    assertThat(reading(100, 100, null).growth()).isNull();
    assertThat(reading(100, 100, 0L).growth()).isNull();
    assertThat(reading(50, 100, -100L).growth()).isEqualTo(Ratio.of(3, 2));
    assertThat(reading(150, 100, 120L).growth()).isEqualTo(Ratio.of(1, 4));
  }

  @Test
  void noReading_namesTheReason() {
    assertThat(of(Direction.HIGHER, 5, Goal.MISSING).noReading()).isEqualTo(NoReading.NO_GOAL);
    assertThat(of(Direction.HIGHER, 5, Goal.of(0)).noReading()).isEqualTo(NoReading.ZERO_GOAL);
    assertThat(of(Direction.HIGHER, 5, Goal.of(-1)).noReading()).isEqualTo(NoReading.NEGATIVE_GOAL);
    assertThat(of(Direction.HIGHER, 5, Goal.of(1)).noReading()).isNull();
  }

  @Test
  void status_readsTheLaddersScale() {
    Reading reading = of(Direction.HIGHER, 150_00, Goal.of(200_00));
    assertThat(scaleValue(reading, Scale.VARIANCE, null)).isEqualTo(Ratio.of(-50));
    assertThat(scaleValue(reading, Scale.VARIANCE_PERCENT, null)).isEqualTo(Ratio.of(-1, 4));
    assertThat(scaleValue(reading, Scale.VALUE, null)).isEqualTo(Ratio.of(150));
    assertThat(scaleValue(reading, Scale.SHARE_OF_HIGHEST, Ratio.of(300_00)))
        .isEqualTo(Ratio.of(1, 2));
    assertThat(scaleValue(reading, Scale.SHARE_OF_HIGHEST, null)).isNull();
  }

  @Test
  void explanation_hasTheFormulaWithItsInputs() {
    List<Explanation> lines =
        Explanation.of(
            of(Direction.HIGHER, 286_350_00, Goal.of(300_000_00)), REVENUE, Writing.NONE);
    assertThat(lines.get(2))
        .isEqualTo(
            new Explanation(
                "percent-to-goal", "286\u202f350.00 ÷ 300\u202f000.00", "0.9545", null));
    assertThat(
            Explanation.of(of(Direction.HIGHER, 5, Goal.of(0)), REVENUE, Writing.NONE).get(1).why())
        .isEqualTo("zero goal");
  }

  @ParameterizedTest
  @ValueSource(longs = {31, 32, 33, 34})
  void laws_holdForAnyReading(long seed) {
    Random random = new Random(seed);
    for (int i = 0; i < 500; i++) {
      Direction direction = random.nextBoolean() ? Direction.HIGHER : Direction.LOWER;
      long actual = random.nextInt(40_001) - 20_000;
      long goal = random.nextInt(4_001) - 1_000;
      Reading reading = of(direction, actual, Goal.of(goal));
      assertThat(reading.shortfall().times(reading.excess())).isEqualTo(Ratio.ZERO);
      assertThat(reading.excess().minus(reading.shortfall())).isEqualTo(reading.favourable());
      assertThat(reading.isReached()).isEqualTo(reading.shortfall().signum() == 0);
      if (goal > 0) {
        assertThat(reading.achieved().plus(reading.remaining())).isEqualTo(Ratio.ONE);
        assertThat(reading.variancePercent()).isEqualTo(reading.attainment().minus(Ratio.ONE));
      } else {
        assertThat(reading.attainment()).isNull();
      }
    }
  }

  private static Ratio scaleValue(Reading reading, Scale scale, Ratio highest) {
    Ladder ladder = new Ladder(scale, Ladder.threeWay().rungs());
    return Status.of(reading, ladder, Ratio.of(100), highest).scaleValue();
  }

  private static Reading reading(long actual, long goal, Long prior) {
    return new Reading(
        Direction.HIGHER,
        Ratio.of(actual),
        Goal.of(goal),
        1,
        prior == null ? null : Ratio.of(prior),
        prior == null ? null : Ratio.of(prior));
  }

  private static Reading of(Direction direction, long actual, Goal goal) {
    return new Reading(direction, Ratio.of(actual), goal, 1, null, null);
  }
}
