package zealoustarget.core.reading;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.amount.Writing;

/**
 * A figure of a reading with the formula that made it, the actual inputs put in.
 *
 * <p>The explain twin of {@link Reading}: it computes nothing that the reading does not.
 *
 * @param figure such as "percent-to-goal"
 * @param formula such as "286 350.00 ÷ 300 000.00"
 * @param value such as "0.9545", or null where it is undefined
 * @param why why it is undefined, null where it is not
 */
public record Explanation(
    String figure, String formula, @Nullable String value, @Nullable String why) {

  /** The figures that lead to a status, in the order in which they are computed. */
  public static List<Explanation> of(Reading reading, Measure measure, Writing writing) {
    List<Explanation> lines = new ArrayList<>();
    String actual = grouped(writing, measure, reading.actual());
    lines.addAll(
        reading.range() == null
            ? toAmount(reading, measure, actual, writing)
            : toRange(reading, reading.range(), measure, actual, writing));
    lines.add(growth("growth", actual, reading.prior(), reading.growth(), measure, writing));
    lines.add(
        growth(
            "growth on year",
            actual,
            reading.yearBefore(),
            reading.growthOnYear(),
            measure,
            writing));
    return lines;
  }

  /** How a rate's actual comes about, both sums in the smallest units of their measures. */
  public static Explanation ofRate(
      Ratio over, Ratio under, Reading reading, Measure.Quotient of, Writing writing) {
    return line(
        of.over().words() + " ÷ " + of.under().words(),
        grouped(writing, of.over(), over) + " ÷ " + grouped(writing, of.under(), under),
        reading.actual() == null
            ? null
            : ratio(reading.actual().dividedBy(Ratio.powerOfTen(Measure.RATE_SCALE))),
        NoReading.NOTHING_TO_DIVIDE_BY.words());
  }

  private static List<Explanation> toAmount(
      Reading reading, Measure measure, String actual, Writing writing) {
    String goal = grouped(writing, measure, reading.goalAmount());
    NoReading none = reading.noReading();
    String why = none == null ? null : none.words();
    String whyNoShare = none == NoReading.NEGATIVE_GOAL ? null : why;
    boolean hasNoVariance = none == NoReading.NO_GOAL || none == NoReading.NOTHING_TO_DIVIDE_BY;
    return List.of(
        line(
            "variance",
            actual + " − " + goal,
            amount(measure, reading.variance()),
            hasNoVariance ? why : null),
        line(
            "variance %",
            grouped(writing, measure, reading.variance()) + " ÷ |" + goal + "|",
            ratio(reading.variancePercent()),
            whyNoShare),
        line("percent-to-goal", actual + " ÷ " + goal, ratio(reading.attainment()), why));
  }

  private static List<Explanation> toRange(
      Reading reading, Goal.Range range, Measure measure, String actual, Writing writing) {
    String low = grouped(writing, measure, range.low());
    String high = grouped(writing, measure, range.high());
    NoReading none = reading.noReading();
    String why = none == null ? null : none.words();
    Ratio variance = reading.variance();
    String distance =
        variance == null || variance.signum() == 0
            ? low + " ≤ " + actual + " ≤ " + high
            : actual + " − " + (variance.signum() < 0 ? low : high);
    return List.of(
        line("variance", distance, amount(measure, variance), why),
        line("variance %", distance, null, NoReading.RANGE.words()),
        line(
            "percent-to-goal",
            actual + " ÷ ((" + low + " + " + high + ") ÷ 2)",
            ratio(reading.attainment()),
            why));
  }

  private static Explanation growth(
      String figure,
      String actual,
      @Nullable Ratio earlier,
      @Nullable Ratio growth,
      Measure measure,
      Writing writing) {
    String before = grouped(writing, measure, earlier);
    String why = earlier == null ? "nothing posted then" : "the earlier sum is 0";
    return line(
        figure,
        "(" + actual + " − " + before + ") ÷ |" + before + "|",
        ratio(growth),
        growth == null ? why : null);
  }

  private static Explanation line(
      String figure, String formula, @Nullable String value, @Nullable String why) {
    return new Explanation(figure, formula, value, value == null ? why : null);
  }

  private static @Nullable String amount(Measure measure, @Nullable Ratio units) {
    return units == null ? null : measure.text(units);
  }

  private static @Nullable String ratio(@Nullable Ratio ratio) {
    return ratio == null ? null : ratio.toText();
  }

  private static String grouped(Writing writing, Measure measure, @Nullable Ratio units) {
    return units == null ? "–" : writing.grouped(measure.text(units));
  }
}
