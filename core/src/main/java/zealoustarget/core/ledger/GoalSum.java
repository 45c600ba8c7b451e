package zealoustarget.core.ledger;

import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.reading.Goal;

/**
 * The goals of one place, or of several, over a span: added up, and of a rate weighted by its
 * denominator (docs/calculations.md, section 2).
 */
final class GoalSum {
  /** Which goals a set has of a measure. */
  record Shape(boolean isRange, boolean isRate) {}

  private final Shape shape;
  private long low;
  private long high;
  private long open;
  private boolean hasOpen;
  private Ratio weightedLow = Ratio.ZERO;
  private Ratio weightedHigh = Ratio.ZERO;
  private long weight;
  private long earlyMonths;
  private long lateMonths;

  GoalSum(Shape shape) {
    this.shape = shape;
  }

  /**
   * Adds one goal.
   *
   * @param month its number within the span, from 0
   * @param isLast whether that is the span's last
   * @param by the denominator of the goal's member and month, for rates
   */
  void add(GoalBook.Cell cell, int month, boolean isLast, long by) {
    low = Math.addExact(low, cell.amount());
    high = Math.addExact(high, cell.highEnd());
    if (shape.isRate()) {
      weightedLow = weightedLow.plus(Ratio.of(cell.amount()).times(Ratio.of(by)));
      weightedHigh = weightedHigh.plus(Ratio.of(cell.highEnd()).times(Ratio.of(by)));
      weight = Math.addExact(weight, by);
    }
    if (isLast) {
      open = Math.addExact(open, cell.amount());
      hasOpen = true;
    }
    if (month < Long.SIZE) {
      earlyMonths |= 1L << month;
    } else {
      lateMonths |= 1L << (month - Long.SIZE);
    }
  }

  void addAll(GoalSum other) {
    low = Math.addExact(low, other.low);
    high = Math.addExact(high, other.high);
    open = Math.addExact(open, other.open);
    hasOpen |= other.hasOpen;
    weightedLow = weightedLow.plus(other.weightedLow);
    weightedHigh = weightedHigh.plus(other.weightedHigh);
    weight = Math.addExact(weight, other.weight);
    earlyMonths |= other.earlyMonths;
    lateMonths |= other.lateMonths;
  }

  int months() {
    return Long.bitCount(earlyMonths) + Long.bitCount(lateMonths);
  }

  Goal goal() {
    if (months() == 0 || (shape.isRate() && weight == 0)) {
      return Goal.MISSING;
    }
    Ratio lower = shape.isRate() ? weightedLow.dividedBy(Ratio.of(weight)) : Ratio.of(low);
    if (!shape.isRange()) {
      return Goal.of(lower);
    }
    Ratio upper = shape.isRate() ? weightedHigh.dividedBy(Ratio.of(weight)) : Ratio.of(high);
    return new Goal.Range(lower.min(upper), upper.max(lower));
  }

  /** The goal of the span's last month alone; null where it has none, for ranges and rates. */
  @Nullable Ratio open() {
    return hasOpen && !shape.isRange() && !shape.isRate() ? Ratio.of(open) : null;
  }
}
