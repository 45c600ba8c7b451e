package zealoustarget.core.ladder;

import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Ratio;

/**
 * One step of a ladder.
 *
 * @param name the status word
 * @param tone what it says
 * @param lowerBound where it begins, in the ladder's scale (1 is 100 %); null on the first rung
 *     only
 * @param above whether the bound itself still belongs to the rung below ("above", not "at or
 *     above")
 */
public record Rung(String name, Tone tone, @Nullable Ratio lowerBound, boolean above) {
  /** The first rung, without a lower bound. */
  public static Rung first(String name, Tone tone) {
    return new Rung(name, tone, null, false);
  }

  public static Rung from(String name, Tone tone, Ratio atOrAbove) {
    return new Rung(name, tone, atOrAbove, false);
  }

  public static Rung above(String name, Tone tone, Ratio above) {
    return new Rung(name, tone, above, true);
  }

  /** Whether a value lies at this rung's bound or past it. */
  public boolean isReachedBy(Ratio value) {
    if (lowerBound == null) {
      return true;
    }
    int order = value.compareTo(lowerBound);
    return above ? order > 0 : order >= 0;
  }

  /** Whether this rung begins higher than {@code other}, which has a bound. */
  boolean beginsAfter(Rung other) {
    if (lowerBound == null || other.lowerBound == null) {
      return lowerBound != null;
    }
    int order = lowerBound.compareTo(other.lowerBound);
    return order > 0 || (order == 0 && above && !other.above);
  }
}
