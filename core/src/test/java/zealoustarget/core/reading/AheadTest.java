package zealoustarget.core.reading;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import java.time.LocalDate;
import java.time.YearMonth;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import zealoustarget.core.amount.Direction;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.calendar.WorkingDays;
import zealoustarget.core.ladder.Ladder;
import zealoustarget.core.ladder.Rung;
import zealoustarget.core.ladder.Scale;
import zealoustarget.core.ladder.Shading;
import zealoustarget.core.ladder.Tone;
import zealoustarget.core.ledger.query.StandingQuery;
import zealoustarget.core.member.Axis;
import zealoustarget.core.testing.Company;

/** What an open month comes to, what comes next, and how full a variance's tone is. */
class AheadTest {
  @ParameterizedTest
  @CsvSource({
    "2026-11-01, 0, a Sunday",
    "2026-11-02, 1, the first Monday counts as elapsed",
    "2026-11-11, 7, a holiday itself does not count",
    "2026-11-12, 8, the day after is the 8th",
    "2026-11-30, 20, all of them",
    "2026-12-24, 20, later days do not count",
    "2026-10-31, 0, before the month"
  })
  void workingDays_weekdaysLessHolidays(String asOf, int elapsed, String why) {
    WorkingDays days = new WorkingDays(Set.of(LocalDate.parse("2026-11-11")));
    YearMonth month = YearMonth.of(2026, 11);
    assertThat(days.elapsed(month, LocalDate.parse(asOf))).as(why).isEqualTo(elapsed);
    assertThat(days.in(month)).isEqualTo(20);
    assertThat(WorkingDays.WEEKDAYS.in(month)).isEqualTo(21);
  }

  @Test
  void outlook_asWorked() {
    Pace outlook = outlook(9_000_00, 22_000_00L, 8, 22, 9_000_00, 22_000_00L);
    assertThat(outlook.expected()).isEqualTo(Ratio.of(8_000_00));
    assertThat(outlook.pace()).isEqualTo(Ratio.of(9, 8));
    assertThat(outlook.landing()).isEqualTo(Ratio.of(24_750_00));
  }

  @Test
  void outlook_ofALongerSpan_takesTheMonthsBeforeWhole() {
    Pace outlook = outlook(109_000_00, 122_000_00L, 8, 22, 9_000_00, 22_000_00L);
    assertThat(outlook.expected()).isEqualTo(Ratio.of(108_000_00));
    assertThat(outlook.landing()).isEqualTo(Ratio.of(124_750_00));
    assertThat(outlook(109_000_00, 100_000_00L, 8, 22, 9_000_00, null).expected())
        .isEqualTo(Ratio.of(100_000_00));
  }

  @Test
  void outlook_beforeTheFirstWorkingDay_orWithoutGoal_isUndefined() {
    Pace early = outlook(50_00, 100_00L, 0, 22, 50_00, 100_00L);
    assertThat(early.landing()).isNull();
    assertThat(early.pace()).isNull();
    assertThat(early.expected()).isEqualTo(Ratio.ZERO);
    Pace aimless = outlook(50_00, null, 11, 22, 50_00, null);
    assertThat(aimless.expected()).isNull();
    assertThat(aimless.landing()).isEqualTo(Ratio.of(100_00));
    assertThat(outlook(1, 1L, 0, 0, 1, 1L)).isEqualTo(new Pace(null, null, null));
  }

  @Test
  void required_isSpreadOverTheMonthsThatRemain() {
    assertThat(Pace.required(Ratio.of(120), Ratio.of(40), 8)).isEqualTo(Ratio.of(10));
    assertThat(Pace.required(Ratio.of(120), Ratio.of(130), 4)).isEqualTo(Ratio.of(-5, 2));
    assertThat(Pace.required(Ratio.of(120), Ratio.of(40), 0)).isNull();
    assertThat(Pace.required(null, Ratio.of(40), 3)).isNull();
  }

  @Test
  void standing_looksAhead_forEveryRowAndTheTotal() {
    StandingQuery asked = Company.query(Axis.REP, Company.REVENUE, "2026-11", "2026-11", "quota");
    StandingQuery open = asked.withDays(new Pace.Days(10, 20));
    Standing standing = Company.ofReps("2026-11", "A 40/100", "B 30/-").standing(open);
    assertThat(standing.rows().get(0).outlook().pace()).isEqualTo(Ratio.of(4, 5));
    assertThat(standing.rows().get(1).outlook().expected()).isNull();
    assertThat(standing.total().outlook().landing()).isEqualTo(Ratio.of(140));
    assertThat(Company.ofReps("2026-11", "A 40/100").standing(asked).total().outlook()).isNull();
  }

  @Test
  void milestones_areTheRungsAhead_inWholeCents() {
    assertThat(milestones(Direction.HIGHER, 286_350_00, Goal.of(300_000_00)))
        .containsExactly("reached 13650.00", "well past 73650.00");
    assertThat(milestones(Direction.HIGHER, 1, Goal.of(100_01))).first().isEqualTo("near 90.00");
    assertThat(milestones(Direction.LOWER, 90_00, Goal.of(100_00))).containsExactly("over 10.01");
    assertThat(milestones(Direction.LOWER, 100_00, Goal.of(100_00))).containsExactly("over 0.01");
    assertThat(milestones(Direction.LOWER, 100_01, Goal.of(100_00))).isEmpty();
    assertThat(milestones(Direction.HIGHER, 5, Goal.MISSING)).isEmpty();
    assertThat(milestones(Direction.NEAREST, 90_00, Goal.of(100_00)))
        .containsExactly("level 10.00", "above 10.01");
  }

  @ParameterizedTest
  @CsvSource({
    "VARIANCE, 50, fine 60.00, whole units beyond the goal",
    "VARIANCE_PERCENT, 0.5, fine 60.00, a share of the goal beyond it",
    "VALUE, 120, fine 30.00, the amount itself",
    "SHARE_OF_HIGHEST, 0.5, fine 10.00, half of the highest row"
  })
  void milestones_readTheLaddersScale(Scale scale, String bound, String expected, String why) {
    Ladder ladder =
        new Ladder(
            scale,
            List.of(
                Rung.first("poor", Tone.BAD), Rung.from("fine", Tone.GOOD, Ratio.parse(bound))));
    Reading reading =
        new Reading(Direction.HIGHER, Ratio.of(90_00), Goal.of(100_00), 1, null, null);
    assertThat(Milestone.of(reading, ladder, Company.REVENUE, Ratio.of(200_00)))
        .as(why)
        .extracting(m -> m.name() + " " + Company.REVENUE.text(m.toGo()))
        .containsExactly(expected);
    Reading aimless = new Reading(Direction.HIGHER, Ratio.of(90_00), Goal.MISSING, 0, null, null);
    assertThat(Milestone.of(aimless, ladder, Company.REVENUE, null))
        .hasSize(scale == Scale.VALUE ? 1 : 0);
  }

  @Test
  void milestones_ofARange_areItsEnds() {
    Goal range = new Goal.Range(Ratio.of(100_00), Ratio.of(200_00));
    Ladder ladder = Ladder.ofRange(Direction.HIGHER);
    Reading below = new Reading(Direction.HIGHER, Ratio.of(80_00), range, 1, null, null);
    assertThat(Milestone.of(below, ladder, Company.REVENUE, null))
        .extracting(m -> m.name() + " " + Company.REVENUE.text(m.toGo()))
        .containsExactly("inside 20.00", "above 120.01");
  }

  @ParameterizedTest
  @CsvSource({
    "-30000, -1/2, half of the limit",
    "-60000, -1/1, at the limit",
    "-89000, -1/1, past it",
    "0, 0/1, exactly none is neutral",
    "20000, 1/2, the other side has its own"
  })
  void shading_eachSideHasItsLimit(long favourable, String position, String why) {
    Shading shading = new Shading(Ratio.of(40_000), Ratio.of(60_000));
    String[] parts = position.split("/", -1);
    assertThat(shading.position(Ratio.of(favourable)))
        .as(why)
        .isEqualTo(Ratio.of(Long.parseLong(parts[0]), Long.parseLong(parts[1])));
  }

  @Test
  void shading_automaticIsTheLargestInView_andZeroIsFullToneForAny() {
    Shading automatic =
        Shading.AUTOMATIC.inView(Arrays.asList(Ratio.of(50), null, Ratio.of(-20), Ratio.of(-10)));
    assertThat(automatic).isEqualTo(new Shading(Ratio.of(50), Ratio.of(20)));
    assertThat(automatic.position(Ratio.of(-10))).isEqualTo(Ratio.of(-1, 2));
    assertThat(automatic.position(null)).isNull();
    Shading any = new Shading(null, Ratio.ZERO).inView(List.of(Ratio.of(-1)));
    assertThat(any.position(Ratio.of(-1))).isEqualTo(Ratio.of(-1));
    assertThatIllegalArgumentException()
        .isThrownBy(() -> new Shading(null, Ratio.of(-1)))
        .withMessageContaining("full-tone limit");
  }

  private static List<String> milestones(Direction direction, long actual, Goal goal) {
    Reading reading = new Reading(direction, Ratio.of(actual), goal, 1, null, null);
    return Milestone.of(reading, Ladder.defaultOf(direction), Company.REVENUE, null).stream()
        .map(m -> m.name() + " " + Company.REVENUE.text(m.toGo()))
        .toList();
  }

  private static Pace outlook(
      long actual, Long goal, int elapsed, int days, long openActual, Long openGoal) {
    Reading reading =
        new Reading(
            Direction.HIGHER,
            Ratio.of(actual),
            goal == null ? Goal.MISSING : Goal.of(goal),
            1,
            null,
            null);
    Pace.Days passed = new Pace.Days(elapsed, days);
    long open = openGoal == null ? 0 : openGoal;
    Ratio goalToDate =
        goal == null ? null : Ratio.of(goal - open).plus(Ratio.of(open).times(passed.gone()));
    return Pace.of(reading, passed, Ratio.of(openActual), goalToDate);
  }
}
