package zealoustarget.core.spread;

import java.math.BigDecimal;
import java.math.BigInteger;
import java.util.ArrayList;
import java.util.List;
import zealoustarget.core.Refusal;

/**
 * Goals that pass between one member and others within a month, so that the sum of all stays:
 * docs/calculations.md, section 6.
 *
 * @param spread how an amount is shared among the others
 */
public record Takeover(GoalSpread spread) {
  /**
   * Another member's goal of a month.
   *
   * @param goal as it stands, in smallest units
   * @param weight its share of what passes
   */
  public record Other(String key, long goal, BigInteger weight) {}

  /**
   * The others' goals of a month once an amount has passed to them, or from them.
   *
   * @param amount in smallest units; what they take over is positive, what they give up negative
   * @param others in any order
   * @return their goals in the order given; they add to their former sum plus {@code amount}
   * @throws Refusal as {@link GoalSpread#spread}; takes-too-much where a goal that was not negative
   *     would be
   * @throws ArithmeticException if a goal does not fit a long
   */
  public List<Long> pass(long amount, List<Other> others) {
    List<Long> shares =
        spread.spread(
            amount,
            others.stream()
                .map(other -> new GoalSpread.Part(other.key(), null, other.weight(), null))
                .toList());
    List<Long> goals = new ArrayList<>(others.size());
    for (int at = 0; at < others.size(); at++) {
      long before = others.get(at).goal();
      long after = Math.addExact(before, shares.get(at));
      if (before >= 0 && after < 0) {
        throw Refusal.of(
                "takes-too-much",
                "That takes "
                    + text(-shares.get(at))
                    + " from a goal of "
                    + text(before)
                    + ". Take less, from more members, or as the goals stand.")
            .with("key", others.get(at).key());
      }
      goals.add(after);
    }
    return goals;
  }

  private String text(long units) {
    return BigDecimal.valueOf(units, spread.scale()).toPlainString();
  }
}
