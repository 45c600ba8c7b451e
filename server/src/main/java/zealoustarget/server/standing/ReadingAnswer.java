package zealoustarget.server.standing;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.util.Locale;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.ladder.Ladder;
import zealoustarget.core.ladder.Scale;
import zealoustarget.core.ladder.Shown;
import zealoustarget.core.reading.NoReading;
import zealoustarget.core.reading.Reading;
import zealoustarget.core.reading.Status;

/**
 * A reading as it travels: amounts and ratios as decimal strings, undefined figures null.
 *
 * @param key null for the total
 * @param place where the member belongs at the span's end: a rep's region, a product's line
 * @param percentShown percent-to-goal with the decimals that keep it on its rung, without the sign
 * @param noReading why there is no percent-to-goal, in words
 */
record ReadingAnswer(
    @JsonInclude(JsonInclude.Include.NON_NULL) String key,
    @JsonInclude(JsonInclude.Include.NON_NULL) String name,
    @JsonInclude(JsonInclude.Include.NON_NULL) String place,
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
    int goalMonths) {

  static ReadingAnswer of(
      String key,
      String name,
      String place,
      Reading reading,
      Status status,
      Measure measure,
      Ladder ladder) {
    return new ReadingAnswer(
        key,
        name,
        place,
        measure.text(reading.actual()),
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
        status.word(),
        status.tone().name().toLowerCase(Locale.ROOT),
        percentShown(reading, ladder),
        reading.growth() == null ? null : Shown.percent(reading.growth()),
        words(reading.noReading()),
        reading.goalMonths());
  }

  static String text(Measure measure, Ratio units) {
    return units == null ? null : measure.text(units);
  }

  static String text(Ratio ratio) {
    return ratio == null ? null : ratio.toText();
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
