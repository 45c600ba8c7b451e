package zealoustarget.server.standing.view;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonUnwrapped;
import io.swagger.v3.oas.annotations.media.Schema;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.ladder.Ladder;
import zealoustarget.core.ladder.Scale;
import zealoustarget.core.ladder.Shading;
import zealoustarget.core.ladder.Shown;
import zealoustarget.core.ladder.Tone;
import zealoustarget.core.ledger.Corrections;
import zealoustarget.core.reading.Goal;
import zealoustarget.core.reading.NoReading;
import zealoustarget.core.reading.Pace;
import zealoustarget.core.reading.Reading;
import zealoustarget.core.reading.Standing;
import zealoustarget.core.reading.Status;
import zealoustarget.server.platform.http.WordsOf;

/**
 * A reading as it travels: amounts and ratios as decimal strings, undefined figures null.
 *
 * @param key null for the total
 * @param rung place of the deciding rung from 0, null without a reading
 * @param percentShown percent-to-goal with the decimals that keep it on its rung, without the sign
 * @param noReading why there is no percent-to-goal, in words
 * @param goalLow a range's lower end; {@code goalHigh} its upper, {@code position} below, inside or
 *     above
 * @param rate a rate's figures as percentages without the sign, the actual as its rung allows
 * @param ahead how the running month will end
 * @param comparable the months with a goal only; null unless another month has a line
 * @param toDate against what was expected so far; null unless the span ends in a running month
 * @param spoken what sentences, marks and shading speak of
 * @param beyond what is known beside the reading
 */
public record ReadingAnswer(
    @JsonInclude(JsonInclude.Include.NON_NULL) @Nullable String key,
    @JsonInclude(JsonInclude.Include.NON_NULL) @Nullable String name,
    @Nullable String actual,
    @Nullable String goal,
    @Nullable String variance,
    @Nullable String favourable,
    @Nullable String variancePercent,
    @Nullable String attainment,
    @Nullable String achieved,
    @Nullable String remaining,
    @Nullable String over,
    @Nullable String shortfall,
    @Nullable String excess,
    @Nullable String growth,
    @Nullable String growthOnYear,
    @Nullable String yearBefore,
    String status,
    @WordsOf(Tone.class) String tone,
    @Nullable Integer rung,
    @Nullable String percentShown,
    @Nullable String growthShown,
    @Nullable String growthOnYearShown,
    @Nullable String noReading,
    int goalMonths,
    @JsonInclude(JsonInclude.Include.NON_NULL) @Nullable String goalLow,
    @JsonInclude(JsonInclude.Include.NON_NULL) @Nullable String goalHigh,
    @JsonInclude(JsonInclude.Include.NON_NULL)
        @Schema(allowableValues = {"below", "inside", "above"})
        @Nullable String position,
    @JsonInclude(JsonInclude.Include.NON_NULL) @Nullable Rate rate,
    @JsonInclude(JsonInclude.Include.NON_NULL) @Nullable Ahead ahead,
    @Nullable Compared comparable,
    @Nullable ToDate toDate,
    Spoken spoken,
    @JsonUnwrapped Beyond beyond) {

  /**
   * What is known of a row beside its reading.
   *
   * @param place where the member belongs at the span's end: a rep's region, a product's line
   * @param group key of the group that the row stands in
   * @param beside the comparison on the second basis
   * @param pay where a rep's commission begins and ends
   * @param correction what was posted for closed months since, null for nothing
   * @param waiting whether the file that brings its lines has not come for the last month
   * @param waitsFor the file that came last from there
   * @param shareOfCompany its actual by the company's goal in percent with one decimal; null unless
   *     that is what is compared with
   */
  public record Beyond(
      @JsonInclude(JsonInclude.Include.NON_NULL) @Nullable String place,
      @JsonInclude(JsonInclude.Include.NON_NULL) @Nullable String group,
      @JsonInclude(JsonInclude.Include.NON_NULL) @Nullable Beside beside,
      @JsonInclude(JsonInclude.Include.NON_NULL) @Nullable List<NoteAnswer> notes,
      @JsonInclude(JsonInclude.Include.NON_NULL) @Nullable PayMarks pay,
      @Nullable Correction correction,
      boolean waiting,
      @JsonInclude(JsonInclude.Include.NON_NULL) @Nullable String waitsFor,
      @JsonInclude(JsonInclude.Include.NON_NULL) @Nullable String shareOfCompany) {
    static final Beyond NOTHING = new Beyond(null, null, null, null, null, null, false, null, null);
  }

  /** Lines that only one reading of closed months holds, restated less as closed. */
  public record Correction(String actual, int lines) {
    static @Nullable Correction of(Corrections.@Nullable Sum sum, Measure measure) {
      return sum == null ? null : new Correction(measure.text(sum.actual()), sum.lines());
    }
  }

  /** Actuals and goals of the months with a goal only; a range's goal is null. */
  public record Compared(
      @Nullable String actual,
      @Nullable String goal,
      @Nullable String variance,
      @Nullable String attainment,
      String status,
      @WordsOf(Tone.class) String tone) {}

  /** Against the goal to date; a range's goal is null and its ends are there. */
  public record ToDate(
      String asOf,
      @Nullable String goal,
      @JsonInclude(JsonInclude.Include.NON_NULL) @Nullable String goalLow,
      @JsonInclude(JsonInclude.Include.NON_NULL) @Nullable String goalHigh,
      @Nullable String variance,
      @Nullable String attainment,
      String status,
      @WordsOf(Tone.class) String tone) {}

  /**
   * The comparison that sentences and marks speak of.
   *
   * @param kind whole, comparable or to-date
   * @param remainingShown share of the goal that is left, in percent with one decimal; {@code
   *     overShown} what passes it
   * @param shade how full the variance's tone is, −1 to 1; null where there is none
   */
  record Spoken(
      @Schema(allowableValues = {"whole", "comparable", "to-date"}) String kind,
      @Nullable String actual,
      @Nullable String goal,
      @Nullable String variance,
      @Nullable String favourable,
      @Nullable String variancePercent,
      @Nullable String variancePercentShown,
      @Nullable String attainment,
      @Nullable String percentShown,
      @Nullable String remainingShown,
      @Nullable String overShown,
      String status,
      @WordsOf(Tone.class) String tone,
      @Nullable Integer rung,
      @Nullable String noReading,
      @Nullable String shade) {}

  /** A rate's figures as percentages, without the sign. */
  record Rate(@Nullable String actual, @Nullable String goal, @Nullable String variance) {}

  /** Expected so far, pace, landing and its variance of a running month; undefined ones null. */
  record Ahead(
      @Nullable String expected,
      @Nullable String pace,
      @Nullable String paceShown,
      @Nullable String landing,
      @Nullable String landingVariance) {}

  /**
   * The comparison on the second basis.
   *
   * @param shade as of what is spoken of, by the same limits
   */
  public record Beside(
      @Nullable String goal,
      @Nullable String variance,
      @Nullable String favourable,
      @Nullable String variancePercent,
      @Nullable String variancePercentShown,
      @Nullable String attainment,
      @Nullable String percentShown,
      String status,
      @WordsOf(Tone.class) String tone,
      @Nullable String noReading,
      @Nullable String shade) {}

  /** Why a month came out as it did. */
  public record NoteAnswer(
      String month, @Nullable String reason, @Nullable String reasonName, String text) {}

  /**
   * How readings of one standing are put into words.
   *
   * @param ladder as it judged
   * @param asOf the day of the running month, null where the span's last month is over
   * @param isRounded whether amounts are rounded half up to the smallest unit, as those of a month
   *     at its pace are, which are no multiples of it
   */
  public record Words(
      Measure measure,
      Ladder ladder,
      @Nullable Shading shading,
      @Nullable LocalDate asOf,
      boolean isRounded) {
    @Nullable String text(@Nullable Ratio units) {
      return isRounded && !measure.isRate()
          ? rounded(measure, units)
          : ReadingAnswer.text(measure, units);
    }

    public ReadingAnswer answer(Standing.Row row) {
      return of(row, this);
    }
  }

  private static ReadingAnswer of(Standing.Row row, Words words) {
    Reading reading = row.reading();
    Measure measure = words.measure();
    Goal.Range range = reading.range();
    boolean isTotal = row.member().equals(Standing.ALL);
    return new ReadingAnswer(
        isTotal ? null : row.member().key(),
        isTotal ? null : row.member().name(),
        words.text(reading.actual()),
        words.text(reading.goalAmount()),
        words.text(reading.variance()),
        words.text(reading.favourable()),
        text(reading.variancePercent()),
        text(reading.attainment()),
        text(reading.achieved()),
        text(reading.remaining()),
        text(reading.over()),
        words.text(reading.shortfall()),
        words.text(reading.excess()),
        text(reading.growth()),
        text(reading.growthOnYear()),
        text(measure, reading.yearBefore()),
        row.status().word(),
        tone(row.status()),
        rung(row.status(), words.ladder()),
        percentShown(reading, words.ladder()),
        percent(reading.growth()),
        percent(reading.growthOnYear()),
        noReading(reading, row.status()),
        reading.goalMonths(),
        range == null ? null : text(measure, range.low()),
        range == null ? null : text(measure, range.high()),
        reading.position() == null ? null : reading.position().name().toLowerCase(Locale.ROOT),
        measure.isRate() ? rate(reading, words) : null,
        ahead(row.outlook(), reading, measure),
        comparable(row.comparable(), words),
        toDate(row.toDate(), words),
        spoken(row.spoken(), words),
        Beyond.NOTHING);
  }

  private static @Nullable Compared comparable(Standing.@Nullable Judged judged, Words words) {
    if (judged == null) {
      return null;
    }
    Reading reading = judged.reading();
    return new Compared(
        words.text(reading.actual()),
        words.text(reading.goalAmount()),
        words.text(reading.variance()),
        text(reading.attainment()),
        judged.status().word(),
        tone(judged.status()));
  }

  private static @Nullable ToDate toDate(Standing.@Nullable Judged judged, Words words) {
    if (judged == null || words.asOf() == null) {
      return null;
    }
    Reading reading = judged.reading();
    Goal.Range range = reading.range();
    return new ToDate(
        words.asOf().toString(),
        text(words.measure(), reading.goalAmount()),
        range == null ? null : text(words.measure(), range.low()),
        range == null ? null : text(words.measure(), range.high()),
        text(words.measure(), reading.variance()),
        text(reading.attainment()),
        judged.status().word(),
        tone(judged.status()));
  }

  private static Spoken spoken(Standing.Judged judged, Words words) {
    Reading reading = judged.reading();
    return new Spoken(
        judged.kind().name().toLowerCase(Locale.ROOT).replace('_', '-'),
        words.text(reading.actual()),
        rounded(words.measure(), reading.comparedWith()),
        rounded(words.measure(), reading.variance()),
        rounded(words.measure(), reading.favourable()),
        text(reading.variancePercent()),
        percent(reading.variancePercent()),
        text(reading.attainment()),
        percentShown(reading, words.ladder()),
        percent(reading.remaining()),
        percent(reading.over()),
        judged.status().word(),
        tone(judged.status()),
        rung(judged.status(), words.ladder()),
        noReading(reading, judged.status()),
        shade(reading, judged.status(), words));
  }

  private static @Nullable String shade(Reading reading, Status status, Words words) {
    Ratio shade = words.shading() == null ? null : words.shading().position(reading.favourable());
    return status.noReading() == NoReading.EMPTY || shade == null || shade.signum() == 0
        ? null
        : shade.rounded(3, RoundingMode.HALF_UP).toPlainString();
  }

  private static @Nullable String percent(@Nullable Ratio share) {
    return share == null ? null : Shown.percent(share);
  }

  private static @Nullable Integer rung(Status status, Ladder ladder) {
    return status.rung() == null ? null : ladder.rungs().indexOf(status.rung());
  }

  /** The comparison of a row on the second basis. */
  public static Beside beside(Standing.Row row, Words words) {
    Reading reading = row.reading();
    return new Beside(
        text(words.measure(), reading.comparedWith()),
        text(words.measure(), reading.variance()),
        text(words.measure(), reading.favourable()),
        text(reading.variancePercent()),
        percent(reading.variancePercent()),
        text(reading.attainment()),
        percentShown(reading, words.ladder()),
        row.status().word(),
        tone(row.status()),
        noReading(reading, row.status()),
        shade(reading, row.status(), words));
  }

  public @Nullable String place() {
    return beyond.place();
  }

  public @Nullable String group() {
    return beyond.group();
  }

  public @Nullable Beside beside() {
    return beyond.beside();
  }

  public @Nullable List<NoteAnswer> notes() {
    return beyond.notes();
  }

  /** The same reading with other answers beside it. */
  public ReadingAnswer with(Beyond other) {
    return new ReadingAnswer(
        key,
        name,
        actual,
        goal,
        variance,
        favourable,
        variancePercent,
        attainment,
        achieved,
        remaining,
        over,
        shortfall,
        excess,
        growth,
        growthOnYear,
        yearBefore,
        status,
        tone,
        rung,
        percentShown,
        growthShown,
        growthOnYearShown,
        noReading,
        goalMonths,
        goalLow,
        goalHigh,
        position,
        rate,
        ahead,
        comparable,
        toDate,
        spoken,
        other);
  }

  private static Rate rate(Reading reading, Words words) {
    return new Rate(
        percent(reading.actual(), words),
        percent(reading.comparedWith(), words),
        reading.variance() == null
            ? null
            : Shown.percent(reading.variance().dividedBy(words.measure().unitsPerOne())));
  }

  private static @Nullable String percent(@Nullable Ratio units, Words words) {
    if (units == null) {
      return null;
    }
    Ratio plain = units.dividedBy(words.measure().unitsPerOne());
    return words.ladder().scale() == Scale.VALUE
        ? Shown.percent(plain, words.ladder())
        : Shown.percent(plain);
  }

  private static @Nullable Ahead ahead(@Nullable Pace outlook, Reading reading, Measure measure) {
    return outlook == null
        ? null
        : new Ahead(
            rounded(measure, outlook.expected()),
            text(outlook.pace()),
            outlook.pace() == null ? null : Shown.percent(outlook.pace()),
            rounded(measure, outlook.landing()),
            outlook.landing() == null || reading.goalAmount() == null
                ? null
                : rounded(measure, outlook.landing().minus(reading.goalAmount())));
  }

  /** In whole smallest units, as what lies ahead is no exact figure. */
  private static @Nullable String rounded(Measure measure, @Nullable Ratio units) {
    return units == null ? null : measure.text(Ratio.of(units.rounded(0, RoundingMode.HALF_UP)));
  }

  public static @Nullable String text(Measure measure, @Nullable Ratio units) {
    return units == null ? null : measure.text(units);
  }

  public static @Nullable String text(@Nullable Ratio ratio) {
    return ratio == null ? null : ratio.toText();
  }

  private static String tone(Status status) {
    return status.tone().name().toLowerCase(Locale.ROOT);
  }

  private static @Nullable String percentShown(Reading reading, Ladder ladder) {
    Ratio attainment = reading.attainment();
    if (attainment == null) {
      return null;
    }
    return ladder.scale() == Scale.PERCENT_TO_GOAL
        ? Shown.percent(attainment, ladder)
        : Shown.percent(attainment);
  }

  /** Why there is no percent-to-goal, or no status at all. */
  private static @Nullable String noReading(Reading reading, Status status) {
    if (status.noReading() == NoReading.EMPTY) {
      return NoReading.EMPTY.words();
    }
    return reading.noReading() == null ? null : reading.noReading().words();
  }
}
