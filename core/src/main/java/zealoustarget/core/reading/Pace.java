package zealoustarget.core.reading;

import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Ratio;

/**
 * Where a running month stands on its as-of day; defined in docs/calculations.md, section 5.
 *
 * <p>Amounts in the measure's smallest unit, exact. In a span that ends with the running month the
 * months before it count whole, and those without any actual not at all. Worked: goal 22 000.00, 8
 * of 22 working days gone, actual 9 000.00: expected 8 000.00, pace 1.125, landing 24 750.00.
 *
 * @param expected goal so far; null without a goal, for ranges and rates
 * @param pace actual ÷ expected; null unless expected is above 0
 * @param landing where the actual ends at the same rate; null where no working day has gone, and
 *     for rates
 */
public record Pace(@Nullable Ratio expected, @Nullable Ratio pace, @Nullable Ratio landing) {
  /** How far a month is: the as-of day counts as elapsed. */
  public record Days(int elapsed, int workingDays) {
    /** The part of the month that is gone, 0 to 1; all of it where it has no working day. */
    public Ratio gone() {
      return workingDays == 0 ? Ratio.ONE : Ratio.of(elapsed, workingDays);
    }
  }

  /**
   * Looks ahead from a reading whose span ends in a running month.
   *
   * @param openActual actual of the running month alone
   * @param goalToDate what was expected so far of the span; null without a goal
   */
  public static Pace of(Reading reading, Days days, Ratio openActual, @Nullable Ratio goalToDate) {
    Ratio actual = reading.actual();
    if (actual == null || days.workingDays() == 0) {
      return new Pace(null, null, null);
    }
    Ratio pace =
        goalToDate == null || goalToDate.signum() <= 0 ? null : actual.dividedBy(goalToDate);
    return new Pace(goalToDate, pace, landing(actual, days, openActual));
  }

  /**
   * Where a span's actual ends at the same rate; null where no working day has gone.
   *
   * @param openActual what of {@code actual} is of the running month
   */
  private static @Nullable Ratio landing(Ratio actual, Days days, Ratio openActual) {
    return days.elapsed() == 0
        ? null
        : actual.minus(openActual).plus(openActual.dividedBy(days.gone()));
  }

  /** The same as it is at the month's end; as it is now where no working day has gone. */
  public static Ratio atEnd(Ratio actual, Days days, Ratio openActual) {
    Ratio landing = landing(actual, days, openActual);
    return landing == null ? actual : landing;
  }

  /**
   * What each month left must bring: (year goal − actual to date) ÷ months after the chosen one.
   *
   * @return null where none remain or there is no year goal
   */
  public static @Nullable Ratio required(
      @Nullable Ratio yearGoal, @Nullable Ratio actualToDate, int monthsRemaining) {
    return yearGoal == null || actualToDate == null || monthsRemaining <= 0
        ? null
        : yearGoal.minus(actualToDate).dividedBy(Ratio.of(monthsRemaining));
  }
}
