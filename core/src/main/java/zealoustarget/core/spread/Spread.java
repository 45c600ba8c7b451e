package zealoustarget.core.spread;

import java.math.BigInteger;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;

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
    BigInteger sum = sum(weights);
    BigInteger amount = BigInteger.valueOf(whole).abs();
    List<Long> parts = new ArrayList<>();
    List<BigInteger> remainders = new ArrayList<>();
    BigInteger left = amount;
    for (long weight : weights) {
      BigInteger[] cut = amount.multiply(BigInteger.valueOf(weight)).divideAndRemainder(sum);
      parts.add(cut[0].longValueExact());
      remainders.add(cut[1]);
      left = left.subtract(cut[0]);
    }
    // fewer units are left over than there are remainders above 0, so no weight of 0 gets one
    IntStream.range(0, weights.size())
        .boxed()
        .sorted(Comparator.comparing(remainders::get, Comparator.reverseOrder()))
        .limit(left.longValueExact())
        .forEach(place -> parts.set(place, parts.get(place) + 1));
    if (whole < 0) {
      parts.replaceAll(part -> -part);
    }
    return List.copyOf(parts);
  }

  private static BigInteger sum(List<Long> weights) {
    BigInteger sum = BigInteger.ZERO;
    for (long weight : weights) {
      if (weight < 0) {
        throw new IllegalArgumentException("weights must not be negative, was " + weight);
      }
      sum = sum.add(BigInteger.valueOf(weight));
    }
    if (sum.signum() == 0) {
      throw new IllegalArgumentException("weights must not all be 0");
    }
    return sum;
  }
}
