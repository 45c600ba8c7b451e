package zealoustarget.core.spread;

import java.math.BigInteger;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.LongStream;

/** Splits a goal into whole smallest units that add to exactly the whole. */
public final class Spread {
  private Spread() {}

  /**
   * Splits {@code whole} evenly over {@code parts} parts; the larger ones come first.
   *
   * @param parts at least 1
   */
  public static List<Long> evenly(long whole, int parts) {
    return byWeights(whole, Collections.nCopies(parts, 1L));
  }

  /**
   * Splits {@code whole} in proportion to {@code weights} by largest remainder.
   *
   * <p>Defined in docs/calculations.md, section 6: part = whole × weight ÷ Σ weights, cut down to a
   * whole unit; the units left over go one each to the largest remainders, ties to the earlier
   * place. Worked: 100.00 over weights 1, 1, 1 is 33.34, 33.33, 33.33.
   *
   * @param whole goal to split, in smallest units; a negative one is split by its absolute value
   * @param weights one per month or member, in their order; none negative, not all 0
   * @return one part per weight, same unit and order; the parts add to exactly {@code whole}
   * @throws IllegalArgumentException if a weight is negative or all weights are 0
   */
  public static List<Long> byWeights(long whole, List<Long> weights) {
    return inSteps(whole, 1, weights.stream().map(BigInteger::valueOf).toList());
  }

  /**
   * Splits {@code whole} in multiples of a step.
   *
   * <p>Defined there too: |whole| = q × step + r; the q steps are split as in {@link #byWeights}, r
   * is added to the part with the largest weight, ties to the earlier place. Worked: 100 123.45
   * over weights 3, 2, 2 in steps of 500.00 is 43 123.45, 28 500.00, 28 500.00.
   *
   * @param step at least 1, in smallest units
   * @throws IllegalArgumentException as there
   */
  static List<Long> inSteps(long whole, long step, List<BigInteger> weights) {
    BigInteger sum = sum(weights);
    BigInteger[] cut = BigInteger.valueOf(whole).abs().divideAndRemainder(BigInteger.valueOf(step));
    if (cut[0].max(BigInteger.ONE).multiply(sum).bitLength() < Long.SIZE) {
      return inLongs(whole, step, weights);
    }
    List<BigInteger> parts = new ArrayList<>(weights.size());
    List<BigInteger> remainders = new ArrayList<>(weights.size());
    BigInteger left = cut[0];
    for (BigInteger weight : weights) {
      BigInteger[] part = cut[0].multiply(weight).divideAndRemainder(sum);
      parts.add(part[0]);
      remainders.add(part[1]);
      left = left.subtract(part[0]);
    }
    // fewer units are left over than there are remainders above 0, so no weight of 0 gets one
    IntStream.range(0, weights.size())
        .boxed()
        .sorted(Comparator.comparing(remainders::get, Comparator.reverseOrder()))
        .limit(left.longValueExact())
        .forEach(place -> parts.set(place, parts.get(place).add(BigInteger.ONE)));
    parts.replaceAll(part -> part.multiply(BigInteger.valueOf(step)));
    if (cut[1].signum() > 0) {
      int largest = weights.indexOf(Collections.max(weights));
      parts.set(largest, parts.get(largest).add(cut[1]));
    }
    return parts.stream().map(part -> (whole < 0 ? part.negate() : part).longValueExact()).toList();
  }

  /** The same where steps × weights fit a long, which is nearly always: much quicker. */
  private static List<Long> inLongs(long whole, long step, List<BigInteger> weights) {
    long[] weight = weights.stream().mapToLong(BigInteger::longValueExact).toArray();
    long sum = LongStream.of(weight).sum();
    long steps = Math.abs(whole / step);
    long[] parts = new long[weight.length];
    long[] remainders = new long[weight.length];
    long left = steps;
    for (int at = 0; at < weight.length; at++) {
      parts[at] = steps * weight[at] / sum;
      remainders[at] = steps * weight[at] % sum;
      left -= parts[at];
    }
    addLeftOver(parts, remainders, (int) left);
    long rest = Math.abs(whole % step);
    int largest = 0;
    for (int at = 0; at < parts.length; at++) {
      parts[at] = Math.multiplyExact(parts[at], step);
      largest = weight[at] > weight[largest] ? at : largest;
    }
    parts[largest] = Math.addExact(parts[largest], rest);
    return LongStream.of(parts).map(part -> whole < 0 ? -part : part).boxed().toList();
  }

  /** One unit each to the largest remainders, ties to the earlier place. */
  private static void addLeftOver(long[] parts, long[] remainders, int left) {
    if (left == 0) {
      return;
    }
    long[] sorted = remainders.clone();
    Arrays.sort(sorted);
    long least = sorted[sorted.length - left];
    int ties = left;
    for (int at = 0; at < parts.length; at++) {
      if (remainders[at] > least) {
        parts[at]++;
        ties--;
      }
    }
    for (int at = 0; ties > 0; at++) {
      if (remainders[at] == least) {
        parts[at]++;
        ties--;
      }
    }
  }

  private static BigInteger sum(List<BigInteger> weights) {
    BigInteger sum = BigInteger.ZERO;
    for (BigInteger weight : weights) {
      if (weight.signum() < 0) {
        throw new IllegalArgumentException("weights must not be negative, was " + weight);
      }
      sum = sum.add(weight);
    }
    if (sum.signum() == 0) {
      throw new IllegalArgumentException("weights must not all be 0");
    }
    return sum;
  }
}
