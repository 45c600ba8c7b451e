package zealoustarget.core.ledger.query;

import zealoustarget.core.amount.Ratio;

/** Where the goals of a standing come from. */
public sealed interface Basis {
  /** No comparison: every row is without a goal. */
  record None() implements Basis {}

  /** The goals of a set, times a factor, unrounded; a factor other than 1 is a trial. */
  record Set(String name, Ratio factor) implements Basis {
    public Set(String name) {
      this(name, Ratio.ONE);
    }
  }

  /** The actuals of the same months a year earlier, times a factor, unrounded. */
  record PriorYear(Ratio factor) implements Basis {}

  /** The actuals of the span of equal length just before, times a factor, unrounded. */
  record PriorPeriod(Ratio factor) implements Basis {}

  Basis NONE = new None();

  /** What goals are multiplied with; 1 where there are none. */
  default Ratio factor() {
    return Ratio.ONE;
  }

  /** The same with goals that are larger by a factor, above 0. */
  default Basis times(Ratio by) {
    if (this instanceof Set set) {
      return new Set(set.name(), set.factor().times(by));
    }
    if (this instanceof PriorYear year) {
      return new PriorYear(year.factor().times(by));
    }
    return this instanceof PriorPeriod period ? new PriorPeriod(period.factor().times(by)) : this;
  }
}
