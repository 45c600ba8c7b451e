package zealoustarget.core.reading;

import java.math.BigInteger;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.ladder.Ladder;
import zealoustarget.core.ladder.Rung;
import zealoustarget.core.ladder.Tone;

/**
 * A rung that lies ahead of an actual, in amounts.
 *
 * @param name the rung's name
 * @param at the actual at which it begins, smallest units, unrounded
 * @param toGo what is left until then, rounded up to whole smallest units; above 0
 */
public record Milestone(String name, Tone tone, Ratio at, Ratio toGo) {

  /**
   * The rungs above a reading, the nearest first; none where its ladder's scale is undefined.
   *
   * @param highest actual of the highest row, for the share of it
   */
  public static List<Milestone> of(
      Reading reading, Ladder ladder, Measure measure, @Nullable Ratio highest) {
    List<Milestone> ahead = new ArrayList<>();
    Ratio actual = reading.actual();
    for (Rung rung : ladder.rungs()) {
      Ratio at = at(rung, reading, ladder, measure, highest);
      if (at != null && actual != null) {
        Ratio left = at.minus(actual);
        Ratio toGo =
            rung.above()
                ? whole(left, RoundingMode.FLOOR).plus(Ratio.ONE)
                : whole(left, RoundingMode.CEILING);
        if (toGo.signum() > 0) {
          ahead.add(new Milestone(rung.name(), rung.tone(), at, toGo));
        }
      }
    }
    return ahead;
  }

  /** The actual at which a value of the ladder's scale is reached. */
  private static @Nullable Ratio at(
      Rung rung, Reading reading, Ladder ladder, Measure measure, @Nullable Ratio highest) {
    Ratio bound = rung.lowerBound();
    if (bound == null) {
      return null;
    }
    Ratio goal = reading.goalAmount();
    Ratio compared = reading.comparedWith();
    return switch (ladder.scale()) {
      case PERCENT_TO_GOAL ->
          compared == null || compared.signum() <= 0 ? null : bound.times(compared);
      case VARIANCE -> variance(bound.times(measure.unitsPerOne()), rung, reading);
      case VARIANCE_PERCENT ->
          goal == null || goal.signum() == 0 ? null : goal.plus(bound.times(goal.abs()));
      case VALUE -> bound.times(measure.unitsPerOne());
      case SHARE_OF_HIGHEST ->
          highest == null || highest.signum() <= 0 ? null : bound.times(highest);
    };
  }

  /** A range's side below counts from its lower end, the side above from its upper. */
  private static @Nullable Ratio variance(Ratio bound, Rung rung, Reading reading) {
    Goal.Range range = reading.range();
    if (range != null) {
      boolean isUpper = bound.signum() > 0 || (bound.signum() == 0 && rung.above());
      return (isUpper ? range.high() : range.low()).plus(bound);
    }
    Ratio goal = reading.goalAmount();
    return goal == null ? null : goal.plus(bound);
  }

  private static Ratio whole(Ratio amount, RoundingMode mode) {
    return Ratio.of(amount.rounded(0, mode).toBigIntegerExact(), BigInteger.ONE);
  }
}
