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
 * @param actual sum of the posted lines, 0 where there are none
 * @param goal sum of the months that have one
 * @param goalMonths how many of the span's months have a goal
 * @param prior the actual of the span of equal length just before; null where nothing was posted
 * @param yearBefore the actual of the same months a year earlier; null where nothing was posted
 */
public record Reading(
    Direction direction,
    Ratio actual,
    Goal goal,
    int goalMonths,
    @Nullable Ratio prior,
    @Nullable Ratio yearBefore) {

  /** The goal's amount, or null where it is missing. */
  public @Nullable Ratio goalAmount() {
    return goal instanceof Goal.Single single ? single.amount() : null;
  }

  /** Actual − goal. */
  public @Nullable Ratio variance() {
    Ratio amount = goalAmount();
    return amount == null ? null : actual.minus(amount);
  }

  /** The variance turned so that more is better. */
  public @Nullable Ratio favourable() {
    Ratio variance = variance();
    return variance == null || direction == Direction.HIGHER ? variance : variance.negated();
  }

  /** Variance ÷ the goal without its sign; undefined on a zero goal. */
  public @Nullable Ratio variancePercent() {
    Ratio amount = goalAmount();
    Ratio variance = variance();
    return amount == null || variance == null || amount.signum() == 0
        ? null
        : variance.dividedBy(amount.abs());
  }

  /** Actual ÷ goal (percent-to-goal); undefined on a zero or negative goal. */
  public @Nullable Ratio attainment() {
    Ratio amount = goalAmount();
    return amount == null || amount.signum() <= 0 ? null : actual.dividedBy(amount);
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

  /** What is missing to the goal (HIGHER), or what passes it (LOWER: overspend). */
  public @Nullable Ratio shortfall() {
    Ratio favourable = favourable();
    return favourable == null ? null : favourable.negated().max(Ratio.ZERO);
  }

  /** What passes the goal (HIGHER), or what is left of it (LOWER: saving). */
  public @Nullable Ratio excess() {
    Ratio favourable = favourable();
    return favourable == null ? null : favourable.max(Ratio.ZERO);
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
    Ratio amount = goalAmount();
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
    return earlier == null || earlier.signum() == 0
        ? null
        : actual.minus(earlier).dividedBy(earlier.abs());
  }
}
