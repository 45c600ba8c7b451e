package zealoustarget.core.reading;

import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Ratio;

/**
 * Where an open month stands on its as-of day; defined in docs/calculations.md, section 5.
 *
 * <p>Amounts in the measure's smallest unit, exact. In a span that ends with the open month the
 * months before it count whole. Worked: goal 22 000.00, 8 of 22 working days gone, actual 9 000.00:
 * expected 8 000.00, pace 1.125, landing 24 750.00.
 *
 * @param expected goal so far; null without a goal, for ranges and rates
 * @param pace actual ÷ expected; null unless expected is above 0
 * @param landing where the actual ends at the same rate; null where no working day has gone, and
 *     for rates
 */
public record Outlook(@Nullable Ratio expected, @Nullable Ratio pace, @Nullable Ratio landing) {
  /** How far a month is: the as-of day counts as elapsed. */
  public record Days(int elapsed, int workingDays) {}

  /**
   * Looks ahead from a reading whose span ends in an open month.
   *
   * @param openActual actual of the open month alone
   * @param openGoal goal of the open month alone; null where it has none
   */
  public static Outlook of(Reading reading, Days days, Ratio openActual, @Nullable Ratio openGoal) {
    Ratio actual = reading.actual();
    Ratio goal = reading.goalAmount();
    if (actual == null || days.workingDays() == 0) {
      return new Outlook(null, null, null);
    }
    Ratio gone = Ratio.of(days.elapsed(), days.workingDays());
    Ratio expected = null;
    if (goal != null) {
      Ratio open = openGoal == null ? Ratio.ZERO : openGoal;
      expected = goal.minus(open).plus(open.times(gone));
    }
    Ratio pace = expected == null || expected.signum() <= 0 ? null : actual.dividedBy(expected);
    Ratio landing =
        days.elapsed() == 0 ? null : actual.minus(openActual).plus(openActual.dividedBy(gone));
    return new Outlook(expected, pace, landing);
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
