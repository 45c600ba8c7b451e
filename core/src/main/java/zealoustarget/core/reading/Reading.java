package zealoustarget.core.reading;

import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Direction;
import zealoustarget.core.amount.Ratio;

/**
 * The comparison of one actual with one goal, both summed over a span first; defined in
 * docs/calculations.md, section 2.
 *
 * <p>Amounts are in the measure's smallest unit, ratios plain (1 is 100 %), all exact. A figure
 * that is undefined is null, never 0; {@link #noReading} says why. Worked, HIGHER: actual 95.45,
 * goal 100.00 has variance −4.55, attainment 0.9545, shortfall 4.55, remaining 0.0455.
 *
 * @param direction which side of the goal is favourable
 * @param actual sum of the posted lines, 0 where there are none; null only for a rate whose
 *     denominator is 0
 * @param goal sum of the months that have one
 * @param goalMonths how many of the span's months have a goal
 * @param prior the actual of the span of equal length just before; null where nothing was posted
 * @param yearBefore the actual of the same months a year earlier; null where nothing was posted
 */
public record Reading(
    Direction direction,
    @Nullable Ratio actual,
    Goal goal,
    int goalMonths,
    @Nullable Ratio prior,
    @Nullable Ratio yearBefore) {
  /** Where an actual lies to a range. */
  public enum Position {
    BELOW,
    INSIDE,
    ABOVE
  }

  public boolean hasGoal() {
    return !(goal instanceof Goal.Missing);
  }

  /** The goal's amount, or null where it is missing or a range. */
  public @Nullable Ratio goalAmount() {
    return goal instanceof Goal.Single single ? single.amount() : null;
  }

  /** The range, or null where the goal is none. */
  public Goal.@Nullable Range range() {
    return goal instanceof Goal.Range range ? range : null;
  }

  /** The goal's amount, or a range's midpoint: what percent-to-goal divides by. */
  public @Nullable Ratio comparedWith() {
    Goal.Range range = range();
    return range == null ? goalAmount() : range.midpoint();
  }

  /** Where the actual lies to its range; both ends are inside. Null without a range. */
  public @Nullable Position position() {
    Ratio variance = range() == null ? null : variance();
    if (variance == null) {
      return null;
    }
    return switch (variance.signum()) {
      case -1 -> Position.BELOW;
      case 1 -> Position.ABOVE;
      default -> Position.INSIDE;
    };
  }

  /** Actual − goal; of a range the signed distance to it, 0 inside. */
  public @Nullable Ratio variance() {
    if (actual == null) {
      return null;
    }
    if (goal instanceof Goal.Range range) {
      return actual
          .minus(range.high())
          .max(Ratio.ZERO)
          .plus(actual.minus(range.low()).min(Ratio.ZERO));
    }
    Ratio amount = goalAmount();
    return amount == null ? null : actual.minus(amount);
  }

  /** The variance turned so that more is better; −distance for NEAREST and for ranges. */
  public @Nullable Ratio favourable() {
    Ratio variance = variance();
    if (variance == null) {
      return null;
    }
    if (range() != null) {
      return variance.abs().negated();
    }
    return switch (direction) {
      case HIGHER -> variance;
      case LOWER -> variance.negated();
      case NEAREST -> variance.abs().negated();
    };
  }

  /** Variance ÷ the goal without its sign; undefined on a zero goal and on a range. */
  public @Nullable Ratio variancePercent() {
    Ratio amount = goalAmount();
    Ratio variance = variance();
    return amount == null || variance == null || amount.signum() == 0
        ? null
        : variance.dividedBy(amount.abs());
  }

  /** Actual ÷ goal (percent-to-goal), of a range ÷ its midpoint; undefined on 0 or less. */
  public @Nullable Ratio attainment() {
    Ratio amount = comparedWith();
    return actual == null || amount == null || amount.signum() <= 0
        ? null
        : actual.dividedBy(amount);
  }

  /** Attainment limited to 0 … 1. */
  public @Nullable Ratio achieved() {
    Ratio attainment = attainment();
    return attainment == null ? null : attainment.max(Ratio.ZERO).min(Ratio.ONE);
  }

  /** 1 − achieved; both always add to exactly 1. */
  public @Nullable Ratio remaining() {
    Ratio achieved = achieved();
    return achieved == null ? null : Ratio.ONE.minus(achieved);
  }

  /** Attainment − 1, not under 0. */
  public @Nullable Ratio over() {
    Ratio attainment = attainment();
    return attainment == null ? null : attainment.minus(Ratio.ONE).max(Ratio.ZERO);
  }

  /**
   * What is missing to the goal (HIGHER), or what passes it (LOWER: overspend); of a range what is
   * missing to its lower end. NEAREST to one amount has none.
   */
  public @Nullable Ratio shortfall() {
    return onSide(direction == Direction.LOWER && range() == null);
  }

  /**
   * What passes the goal (HIGHER), or what is left of it (LOWER: saving); of a range what passes
   * its upper end. NEAREST to one amount has none.
   */
  public @Nullable Ratio excess() {
    return onSide(direction != Direction.LOWER || range() != null);
  }

  private @Nullable Ratio onSide(boolean isAbove) {
    Ratio variance = variance();
    if (variance == null || (direction == Direction.NEAREST && range() == null)) {
      return null;
    }
    return (isAbove ? variance : variance.negated()).max(Ratio.ZERO);
  }

  /** By how much the goal was missed: the unfavourable variance, on either side; not negative. */
  public @Nullable Ratio miss() {
    Ratio favourable = favourable();
    return favourable == null ? null : favourable.negated().max(Ratio.ZERO);
  }

  /** Whether the goal was reached: the favourable variance is not negative. */
  public boolean isReached() {
    Ratio favourable = favourable();
    return favourable != null && favourable.signum() >= 0;
  }

  /** Change on the span of equal length just before, as a share of it without its sign. */
  public @Nullable Ratio growth() {
    return growthOn(prior);
  }

  /** Change on the same months a year earlier, as a share of them without their sign. */
  public @Nullable Ratio growthOnYear() {
    return growthOn(yearBefore);
  }

  /** Why there is no percent-to-goal, or null where there is one. */
  public @Nullable NoReading noReading() {
    if (actual == null) {
      return NoReading.NOTHING_TO_DIVIDE_BY;
    }
    Ratio amount = comparedWith();
    if (amount == null) {
      return NoReading.NO_GOAL;
    }
    return switch (amount.signum()) {
      case 0 -> NoReading.ZERO_GOAL;
      case -1 -> NoReading.NEGATIVE_GOAL;
      default -> null;
    };
  }

  private @Nullable Ratio growthOn(@Nullable Ratio earlier) {
    return actual == null || earlier == null || earlier.signum() == 0
        ? null
        : actual.minus(earlier).dividedBy(earlier.abs());
  }
}
