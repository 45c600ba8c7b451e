package zealoustarget.core.ledger.query;

import zealoustarget.core.amount.Ratio;

/** Where the goals of a standing come from. */
public sealed interface Basis {
  /** No comparison: every row is without a goal. */
  record None() implements Basis {}

  /** The goals of a set. */
  record Set(String name) implements Basis {}

  /** The actuals of the same months a year earlier, times a factor, unrounded. */
  record PriorYear(Ratio factor) implements Basis {}

  /** The actuals of the span of equal length just before, times a factor, unrounded. */
  record PriorPeriod(Ratio factor) implements Basis {}

  Basis NONE = new None();
}
