package zealoustarget.core.commission;

import java.math.BigInteger;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.SortedMap;
import java.util.TreeMap;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.spread.Spread;

/**
 * How sales and quota of one rep are credited to several; docs/calculations.md, section 7.
 *
 * @param <M> what a rep goes by, in whose order ties fall
 */
public final class CreditShares<M extends Comparable<M>> {
  private final SortedMap<M, Ratio> shares;
  private final List<Long> weights;

  /**
   * Takes the shares.
   *
   * @throws IllegalArgumentException unless none is negative and they add to exactly 100 %
   */
  public CreditShares(Map<M, Ratio> shares) {
    this.shares = new TreeMap<>(shares);
    Ratio sum = Ratio.ZERO;
    BigInteger common = BigInteger.ONE;
    for (Map.Entry<M, Ratio> share : this.shares.entrySet()) {
      if (share.getValue().signum() < 0) {
        throw new IllegalArgumentException("the share of " + share.getKey() + " is negative");
      }
      sum = sum.plus(share.getValue());
      BigInteger under = share.getValue().under();
      common = common.multiply(under).divide(common.gcd(under));
    }
    if (!sum.equals(Ratio.ONE)) {
      throw new IllegalArgumentException(
          "the shares add to " + sum.times(Ratio.of(100)).toText() + " %, must be 100 %");
    }
    Ratio times = Ratio.of(common, BigInteger.ONE);
    this.weights =
        this.shares.values().stream()
            .map(share -> share.times(times).over().longValueExact())
            .toList();
  }

  public SortedMap<M, Ratio> shares() {
    return shares;
  }

  /** The parts of a whole amount by largest remainder; they add to exactly it. */
  public Map<M, Long> split(long whole) {
    List<Long> parts = Spread.byWeights(whole, weights);
    Map<M, Long> byMember = new LinkedHashMap<>();
    int at = 0;
    for (M member : shares.keySet()) {
      byMember.put(member, parts.get(at++));
    }
    return byMember;
  }
}
