package zealoustarget.server.standing;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.math.RoundingMode;
import java.util.List;
import java.util.Locale;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.ladder.Ladder;
import zealoustarget.core.ladder.Scale;
import zealoustarget.core.ladder.Shading;
import zealoustarget.core.ladder.Shown;
import zealoustarget.core.reading.Goal;
import zealoustarget.core.reading.NoReading;
import zealoustarget.core.reading.Outlook;
import zealoustarget.core.reading.Reading;
import zealoustarget.core.reading.Standing;

/**
 * A reading as it travels: amounts and ratios as decimal strings, undefined figures null.
 *
 * @param key null for the total
 * @param place where the member belongs at the span's end: a rep's region, a product's line
 * @param group key of the group that the row stands in
 * @param percentShown percent-to-goal with the decimals that keep it on its rung, without the sign
 * @param noReading why there is no percent-to-goal, in words
 * @param goalLow a range's lower end; {@code goalHigh} its upper, {@code position} below, inside or
 *     above
 * @param shade how full the variance's tone is, −1 to 1
 * @param rate a rate's figures as percentages without the sign, the actual as its rung allows
 * @param ahead how the open month will end
 * @param beside the comparison on the second basis
 * @param pay where a rep's commission begins and ends
 */
record ReadingAnswer(
    @JsonInclude(JsonInclude.Include.NON_NULL) String key,
    @JsonInclude(JsonInclude.Include.NON_NULL) String name,
    @JsonInclude(JsonInclude.Include.NON_NULL) String place,
    @JsonInclude(JsonInclude.Include.NON_NULL) String group,
    String actual,
    String goal,
    String variance,
    String favourable,
    String variancePercent,
    String attainment,
    String shortfall,
    String excess,
    String growth,
    String growthOnYear,
    String yearBefore,
    String status,
    String tone,
    String percentShown,
    String growthShown,
    String noReading,
    int goalMonths,
    @JsonInclude(JsonInclude.Include.NON_NULL) String goalLow,
    @JsonInclude(JsonInclude.Include.NON_NULL) String goalHigh,
    @JsonInclude(JsonInclude.Include.NON_NULL) String position,
    @JsonInclude(JsonInclude.Include.NON_NULL) String shade,
    @JsonInclude(JsonInclude.Include.NON_NULL) Rate rate,
    @JsonInclude(JsonInclude.Include.NON_NULL) Ahead ahead,
    @JsonInclude(JsonInclude.Include.NON_NULL) Beside beside,
    @JsonInclude(JsonInclude.Include.NON_NULL) List<NoteAnswer> notes,
    @JsonInclude(JsonInclude.Include.NON_NULL) PayMarks pay) {

  /** A rate's figures as percentages, without the sign. */
  record Rate(String actual, String goal, String variance) {}

  /** Expected so far, pace and landing of an open month; undefined ones null. */
  record Ahead(String expected, String pace, String landing) {}

  /** The comparison on the second basis. */
  record Beside(
      String goal,
      String variance,
      String favourable,
      String variancePercent,
      String attainment,
      String percentShown,
      String status,
      String tone,
      String noReading) {}

  /** Why a month came out as it did. */
  record NoteAnswer(String month, String reason, String reasonName, String text) {}

  /** How readings of one standing are put into words. */
  record Words(Measure measure, Ladder ladder, Shading shading) {
    ReadingAnswer answer(Standing.Row row) {
      return of(row, this);
    }
  }

  private static ReadingAnswer of(Standing.Row row, Words words) {
    Reading reading = row.reading();
    Measure measure = words.measure();
    Goal.Range range = reading.range();
    Ratio shade = words.shading() == null ? null : words.shading().position(reading.favourable());
    boolean isTotal = row.member().equals(Standing.ALL);
    return new ReadingAnswer(
        isTotal ? null : row.member().key(),
        isTotal ? null : row.member().name(),
        null,
        null,
        text(measure, reading.actual()),
        text(measure, reading.goalAmount()),
        text(measure, reading.variance()),
        text(measure, reading.favourable()),
        text(reading.variancePercent()),
        text(reading.attainment()),
        text(measure, reading.shortfall()),
        text(measure, reading.excess()),
        text(reading.growth()),
        text(reading.growthOnYear()),
        text(measure, reading.yearBefore()),
        row.status().word(),
        tone(row),
        percentShown(reading, words.ladder()),
        reading.growth() == null ? null : Shown.percent(reading.growth()),
        words(reading.noReading()),
        reading.goalMonths(),
        range == null ? null : text(measure, range.low()),
        range == null ? null : text(measure, range.high()),
        reading.position() == null ? null : reading.position().name().toLowerCase(Locale.ROOT),
        shade == null || shade.signum() == 0
            ? null
            : shade.rounded(3, RoundingMode.HALF_UP).toPlainString(),
        measure.isRate() ? rate(reading, words) : null,
        ahead(row.outlook(), measure),
        null,
        null,
        null);
  }

  /** The comparison of a row on the second basis. */
  static Beside beside(Standing.Row row, Words words) {
    Reading reading = row.reading();
    return new Beside(
        text(words.measure(), reading.comparedWith()),
        text(words.measure(), reading.variance()),
        text(words.measure(), reading.favourable()),
        text(reading.variancePercent()),
        text(reading.attainment()),
        percentShown(reading, words.ladder()),
        row.status().word(),
        tone(row),
        words(reading.noReading()));
  }

  ReadingAnswer at(String where, String groupKey) {
    return with(where, groupKey, beside, notes, pay);
  }

  ReadingAnswer with(Beside second, List<NoteAnswer> written) {
    return with(place, group, second, written, pay);
  }

  ReadingAnswer with(PayMarks marks) {
    return with(place, group, beside, notes, marks);
  }

  private ReadingAnswer with(
      String where, String groupKey, Beside second, List<NoteAnswer> written, PayMarks marks) {
    return new ReadingAnswer(
        key,
        name,
        where,
        groupKey,
        actual,
        goal,
        variance,
        favourable,
        variancePercent,
        attainment,
        shortfall,
        excess,
        growth,
        growthOnYear,
        yearBefore,
        status,
        tone,
        percentShown,
        growthShown,
        noReading,
        goalMonths,
        goalLow,
        goalHigh,
        position,
        shade,
        rate,
        ahead,
        second,
        written,
        marks);
  }

  private static Rate rate(Reading reading, Words words) {
    return new Rate(
        percent(reading.actual(), words),
        percent(reading.comparedWith(), words),
        reading.variance() == null
            ? null
            : Shown.percent(reading.variance().dividedBy(words.measure().unitsPerOne())));
  }

  private static String percent(Ratio units, Words words) {
    if (units == null) {
      return null;
    }
    Ratio plain = units.dividedBy(words.measure().unitsPerOne());
    return words.ladder().scale() == Scale.VALUE
        ? Shown.percent(plain, words.ladder())
        : Shown.percent(plain);
  }

  private static Ahead ahead(Outlook outlook, Measure measure) {
    return outlook == null
        ? null
        : new Ahead(
            rounded(measure, outlook.expected()),
            text(outlook.pace()),
            rounded(measure, outlook.landing()));
  }

  /** In whole smallest units, as what lies ahead is no exact figure. */
  private static String rounded(Measure measure, Ratio units) {
    return units == null
        ? null
        : measure.text(Ratio.parse(units.rounded(0, RoundingMode.HALF_UP).toPlainString()));
  }

  static String text(Measure measure, Ratio units) {
    return units == null ? null : measure.text(units);
  }

  static String text(Ratio ratio) {
    return ratio == null ? null : ratio.toText();
  }

  private static String tone(Standing.Row row) {
    return row.status().tone().name().toLowerCase(Locale.ROOT);
  }

  private static String percentShown(Reading reading, Ladder ladder) {
    Ratio attainment = reading.attainment();
    if (attainment == null) {
      return null;
    }
    return ladder.scale() == Scale.PERCENT_TO_GOAL
        ? Shown.percent(attainment, ladder)
        : Shown.percent(attainment);
  }

  private static String words(NoReading reason) {
    return reason == null ? null : reason.words();
  }
}
