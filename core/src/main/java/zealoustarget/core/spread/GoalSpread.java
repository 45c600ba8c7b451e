package zealoustarget.core.spread;

import java.math.BigDecimal;
import java.math.BigInteger;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.Refusal;
import zealoustarget.core.amount.Ratio;

/**
 * Spreads a whole over months, members or cells of both, as far as they are not locked;
 * docs/calculations.md, section 6.
 *
 * @param step parts are multiples of it, in smallest units; at least 1
 * @param scale decimals of the amounts, for what refusals say
 */
public record GoalSpread(long step, int scale) {
  /**
   * A part of the whole.
   *
   * @param key of the member; null where the whole is spread over months alone
   * @param month numbered year × 12 + month − 1; null where it is spread over members alone
   * @param weight its share of all weights; does not count where it is locked
   * @param locked the amount that it keeps, in smallest units; null where it takes part
   */
  public record Part(
      @Nullable String key, @Nullable Integer month, BigInteger weight, @Nullable Long locked) {}

  /** Checks the step. */
  public GoalSpread {
    if (step < 1) {
      throw new IllegalArgumentException("step must be at least 1, was " + step);
    }
  }

  /**
   * Spreads a whole: its locked parts keep their amounts, the others share what is left.
   *
   * @param whole in smallest units
   * @param parts in any order
   * @return an amount per part in the order given; they add to exactly {@code whole}
   * @throws Refusal weight-negative, weights-all-zero, locked-exceed-whole, nothing-to-spread-over
   */
  public List<Long> spread(long whole, List<Part> parts) {
    long locked =
        parts.stream()
            .map(Part::locked)
            .filter(Objects::nonNull)
            .reduce(0L, (sum, amount) -> Math.addExact(sum, amount));
    long rest = Math.subtractExact(whole, locked);
    int[] free = inOrder(parts).filter(at -> parts.get(at).locked() == null).toArray();
    check(whole, locked, rest, free.length);
    List<Long> amounts = new ArrayList<>(parts.size());
    parts.forEach(part -> amounts.add(Objects.requireNonNullElse(part.locked(), 0L)));
    List<BigInteger> weights = IntStream.of(free).mapToObj(at -> parts.get(at).weight()).toList();
    check(weights, rest);
    if (rest != 0) {
      List<Long> shares = Spread.inSteps(rest, step, weights);
      for (int at = 0; at < free.length; at++) {
        amounts.set(free[at], shares.get(at));
      }
    }
    return amounts;
  }

  /** Places by month, then by key; each key is compared once, not once a month. */
  private static IntStream inOrder(List<Part> parts) {
    Map<String, Integer> ranks = new HashMap<>();
    parts.stream()
        .map(Part::key)
        .filter(Objects::nonNull)
        .distinct()
        .sorted(GoalSpread::byCodePoint)
        .forEachOrdered(key -> ranks.put(key, ranks.size()));
    long[] byKey = new long[parts.size()];
    for (int at = 0; at < byKey.length; at++) {
      String key = parts.get(at).key();
      long rank = key == null ? -1 : ranks.getOrDefault(key, -1);
      byKey[at] = rank << Integer.SIZE | at;
    }
    Arrays.sort(byKey);
    Map<Integer, IntStream.Builder> byMonth = new TreeMap<>();
    for (long one : byKey) {
      Integer month = parts.get((int) one).month();
      byMonth
          .computeIfAbsent(month == null ? Integer.MIN_VALUE : month, at -> IntStream.builder())
          .add((int) one);
    }
    return byMonth.values().stream().flatMapToInt(IntStream.Builder::build);
  }

  private void check(long whole, long locked, long rest, int free) {
    if (free == 0 && rest != 0) {
      throw Refusal.of(
              "nothing-to-spread-over",
              "Every cell is locked, and the locked cells add up to "
                  + text(locked)
                  + ", not to "
                  + text(whole)
                  + ". Unlock a cell, or spread "
                  + text(locked)
                  + ".")
          .with("whole", text(whole))
          .with("locked", text(locked));
    }
    if (whole != 0 && Long.signum(rest) == -Long.signum(whole)) {
      throw Refusal.of(
              "locked-exceed-whole",
              "The locked cells add up to "
                  + text(locked)
                  + ", more than the "
                  + text(whole)
                  + " to spread. Unlock a cell, or raise the amount.")
          .with("whole", text(whole))
          .with("locked", text(locked));
    }
  }

  private static void check(List<BigInteger> weights, long rest) {
    if (weights.stream().anyMatch(weight -> weight.signum() < 0)) {
      throw Refusal.of(
          "weight-negative",
          "A cell would weigh less than 0. Lock that cell, or choose another way to spread.");
    }
    if (rest != 0 && weights.stream().allMatch(weight -> weight.signum() == 0)) {
      throw Refusal.of(
          "weights-all-zero",
          "All cells would weigh 0, so there is nothing to spread by. Choose another way, such as"
              + " evenly.");
    }
  }

  /**
   * A new whole by a factor: the sum times the factor, rounded half up to the step; of a negative
   * sum the absolute value is rounded.
   *
   * @param sum of all cells as they stand, locked ones too, in smallest units
   * @throws ArithmeticException if it does not fit a long
   */
  public long times(long sum, Ratio factor) {
    BigDecimal steps =
        Ratio.of(sum).times(factor).dividedBy(Ratio.of(step)).rounded(0, RoundingMode.HALF_UP);
    return steps.toBigIntegerExact().multiply(BigInteger.valueOf(step)).longValueExact();
  }

  /**
   * What a goal asks beyond last year: (goal − last year) ÷ |last year|; null where one of them is
   * missing or last year is 0.
   */
  public static @Nullable Ratio stretch(@Nullable Ratio goal, @Nullable Ratio yearBefore) {
    if (goal == null || yearBefore == null || yearBefore.signum() == 0) {
      return null;
    }
    return goal.minus(yearBefore).dividedBy(yearBefore.abs());
  }

  private String text(long units) {
    return BigDecimal.valueOf(units, scale).toPlainString();
  }

  private static int byCodePoint(String one, String other) {
    int shorter = Math.min(one.length(), other.length());
    for (int at = 0; at < shorter; at++) {
      char mine = one.charAt(at);
      char theirs = other.charAt(at);
      if (mine != theirs) {
        // halves of code points stand for larger ones than any whole character
        boolean isHalf = Character.isSurrogate(mine);
        return isHalf == Character.isSurrogate(theirs) ? mine - theirs : isHalf ? 1 : -1;
      }
    }
    return one.length() - other.length();
  }
}
