package zealoustarget.server.rules;

import java.util.List;
import zealoustarget.core.amount.Ratio;

/**
 * Where lanes are parted behind their bars, and what that is attached to. Only drawn: no status and
 * no figure depends on it.
 *
 * @param at shares of {@code of}, rising, 1 to {@link #MOST} of them, above 0 and up to 2
 */
public record AttachedStretches(Attachment to, Of of, List<Ratio> at) {
  static final int MOST = 5;
  private static final Ratio LARGEST = Ratio.of(2);

  /** What the stretches are shares of. */
  public enum Of {
    /** The row's goal. */
    GOAL,
    /** The row's actual of the same months a year before. */
    LAST_YEAR;

    public String word() {
      return this == GOAL ? "goal" : "last-year";
    }
  }

  /** Refuses what cannot be drawn with an IllegalArgumentException. */
  public AttachedStretches {
    at = List.copyOf(at);
    if (at.isEmpty() || at.size() > MOST) {
      throw new IllegalArgumentException(RulesWords.tooManyShares(MOST));
    }
    for (int place = 0; place < at.size(); place++) {
      if (at.get(place).signum() <= 0 || at.get(place).compareTo(LARGEST) > 0) {
        throw new IllegalArgumentException(RulesWords.SHARE_OUT_OF_RANGE);
      }
      if (place > 0 && at.get(place).compareTo(at.get(place - 1)) <= 0) {
        throw new IllegalArgumentException(RulesWords.MUST_RISE);
      }
    }
  }
}
