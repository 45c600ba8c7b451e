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

  /**
   * A range, both ends inside it, such as a forecast; in the measure's smallest unit.
   *
   * @param high not below {@code low}
   */
  record Range(Ratio low, Ratio high) implements Goal {
    /** Checks that the ends do not run backwards. */
    public Range {
      if (high.compareTo(low) < 0) {
        throw new IllegalArgumentException("high must not be below low, was " + low + ", " + high);
      }
    }

    /** Half of both ends, against which percent-to-goal is read. */
    public Ratio midpoint() {
      return low.plus(high).dividedBy(Ratio.of(2));
    }
  }

  Goal MISSING = new Missing();

  /** The same times a factor above 0, unrounded. */
  default Goal times(Ratio factor) {
    if (factor.equals(Ratio.ONE)) {
      return this;
    }
    if (this instanceof Single single) {
      return new Single(single.amount().times(factor));
    }
    return this instanceof Range range
        ? new Range(range.low().times(factor), range.high().times(factor))
        : this;
  }

  static Goal of(long smallestUnits) {
    return new Single(Ratio.of(smallestUnits));
  }

  static Goal of(Ratio smallestUnits) {
    return new Single(smallestUnits);
  }
}
