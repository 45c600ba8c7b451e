package zealoustarget.core.reading;

import zealoustarget.core.amount.Ratio;

/** What an actual is compared with. A goal of 0 is a goal; one that was never set is missing. */
public sealed interface Goal {
  /** No goal was set. */
  record Missing() implements Goal {}

  /**
   * One amount, derived ones unrounded.
   *
   * @param amount in the measure's smallest unit
   */
  record Single(Ratio amount) implements Goal {}

  Goal MISSING = new Missing();

  static Goal of(long smallestUnits) {
    return new Single(Ratio.of(smallestUnits));
  }

  static Goal of(Ratio smallestUnits) {
    return new Single(smallestUnits);
  }
}
