package zealoustarget.core.ledger.sums;

import java.util.function.Supplier;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.ledger.columns.GoalBook;
import zealoustarget.core.reading.Goal;

/**
 * The goals of one place, or of several, over a span: added up, and of a rate weighted by its
 * denominator (docs/calculations.md, section 2).
 */
public final class GoalSum {
  /** Which goals a set has of a measure. */
  public record Shape(boolean isRange, boolean isRate) {}

  private final Shape shape;
  private long low;
  private long high;
  private long pastLow;
  private long pastHigh;
  private long openLow;
  private long openHigh;
  private Ratio weightedLow = Ratio.ZERO;
  private Ratio weightedHigh = Ratio.ZERO;
  private long weight;
  private long earlyMonths;
  private long lateMonths;

  public GoalSum(Shape shape) {
    this.shape = shape;
  }

  /** Where a goal lies in the span. */
  public enum Part {
    /** In a month that counts whole toward the goal to date. */
    PAST,
    /** In the span's last month, which may be running. */
    LAST,
    /** In a month without any actual, which adds nothing to the goal to date. */
    EMPTY
  }

  /**
   * Adds one goal.
   *
   * @param month its number within the span, from 0
   * @param by the denominator of the goal's member and month, for rates
   */
  public void add(GoalBook.Cell cell, int month, Part part, long by) {
    low = Math.addExact(low, cell.amount());
    high = Math.addExact(high, cell.highEnd());
    if (shape.isRate()) {
      weightedLow = weightedLow.plus(Ratio.of(cell.amount()).times(Ratio.of(by)));
      weightedHigh = weightedHigh.plus(Ratio.of(cell.highEnd()).times(Ratio.of(by)));
      weight = Math.addExact(weight, by);
    }
    if (part == Part.LAST) {
      openLow = Math.addExact(openLow, cell.amount());
      openHigh = Math.addExact(openHigh, cell.highEnd());
    } else if (part == Part.PAST) {
      pastLow = Math.addExact(pastLow, cell.amount());
      pastHigh = Math.addExact(pastHigh, cell.highEnd());
    }
    if (month < Long.SIZE) {
      earlyMonths |= 1L << month;
    } else {
      lateMonths |= 1L << (month - Long.SIZE);
    }
  }

  /** Adds what another has; an overflow is an ArithmeticException. */
  public void addAll(GoalSum other) {
    low = Math.addExact(low, other.low);
    high = Math.addExact(high, other.high);
    pastLow = Math.addExact(pastLow, other.pastLow);
    pastHigh = Math.addExact(pastHigh, other.pastHigh);
    openLow = Math.addExact(openLow, other.openLow);
    openHigh = Math.addExact(openHigh, other.openHigh);
    weightedLow = weightedLow.plus(other.weightedLow);
    weightedHigh = weightedHigh.plus(other.weightedHigh);
    weight = Math.addExact(weight, other.weight);
    earlyMonths |= other.earlyMonths;
    lateMonths |= other.lateMonths;
  }

  public int months() {
    return Long.bitCount(earlyMonths) + Long.bitCount(lateMonths);
  }

  /** Whether a month, numbered from 0 within the span, has a goal. */
  public boolean hasMonth(int month) {
    long bits = month < Long.SIZE ? earlyMonths : lateMonths;
    return (bits & 1L << (month % Long.SIZE)) != 0;
  }

  /** The goal of the span: a sum, of a rate the weighted mean; missing where no month has one. */
  public Goal goal() {
    if (months() == 0 || (shape.isRate() && weight == 0)) {
      return Goal.MISSING;
    }
    return shape.isRate()
        ? goal(
            weightedLow.dividedBy(Ratio.of(weight)), () -> weightedHigh.dividedBy(Ratio.of(weight)))
        : goal(Ratio.of(low), () -> Ratio.of(high));
  }

  /** What was expected so far, where a part of the last month is gone; missing for rates. */
  public Goal toDate(Ratio gone) {
    return months() == 0 || shape.isRate()
        ? Goal.MISSING
        : goal(
            Ratio.of(pastLow).plus(Ratio.of(openLow).times(gone)),
            () -> Ratio.of(pastHigh).plus(Ratio.of(openHigh).times(gone)));
  }

  private Goal goal(Ratio lower, Supplier<Ratio> upper) {
    if (!shape.isRange()) {
      return Goal.of(lower);
    }
    Ratio end = upper.get();
    return new Goal.Range(lower.min(end), end.max(lower));
  }
}
