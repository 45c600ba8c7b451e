package zealoustarget.server.goals;

import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.amount.Ratio;
import zealoustarget.server.intake.entered.EnteredGoals.Amount;

/** What the goals of a line of a sheet come to over some of its months, counted from 0. */
interface GoalSums {
  /**
   * As a goal is written, of a range with both ends; null where no month has a goal.
   *
   * @param until the month after the last
   */
  @Nullable String text(int from, int until);

  /** The year's goal in smallest units; null where there is none or it is not one amount. */
  default @Nullable Ratio total() {
    return null;
  }

  /** Goals that are added up; of ranges each end by itself. */
  final class Added implements GoalSums {
    private final @Nullable Ratio[] lows;
    private final @Nullable Ratio[] highs;
    private final Measure measure;
    private final boolean isRange;

    Added(Measure measure, boolean isRange, int months) {
      this.lows = new Ratio[months];
      this.highs = new Ratio[months];
      this.measure = measure;
      this.isRange = isRange;
    }

    void add(int at, Amount goal) {
      lows[at] = plus(lows[at], Ratio.of(goal.low()));
      if (isRange) {
        Long high = goal.high();
        highs[at] = plus(highs[at], Ratio.of(high == null ? goal.low() : high));
      }
    }

    private static Ratio plus(@Nullable Ratio sum, Ratio more) {
      return sum == null ? more : sum.plus(more);
    }

    private static @Nullable Ratio sum(@Nullable Ratio[] ends, int from, int until) {
      Ratio sum = null;
      for (int at = from; at < until; at++) {
        Ratio end = ends[at];
        if (end != null) {
          sum = plus(sum, end);
        }
      }
      return sum;
    }

    /** The goals, or their lower ends, in smallest units. */
    @Nullable Ratio low(int from, int until) {
      return sum(lows, from, until);
    }

    /** The upper ends of ranges. */
    @Nullable Ratio high(int from, int until) {
      return sum(highs, from, until);
    }

    @Override
    public @Nullable String text(int from, int until) {
      Ratio low = low(from, until);
      Ratio high = high(from, until);
      return low == null
          ? null
          : high == null ? measure.text(low) : measure.text(low) + " \u2013 " + measure.text(high);
    }

    @Override
    public @Nullable Ratio total() {
      return isRange ? null : low(0, lows.length);
    }
  }
}
