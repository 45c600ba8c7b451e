package zealoustarget.core.outlook;

import java.math.BigInteger;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Amounts;
import zealoustarget.core.amount.Ratio;

/**
 * A deal as a source knew it on the day of a snapshot.
 *
 * @param line of its file
 * @param rep member id
 * @param product member id; −1 without
 * @param region its own, as a member id; −1 for the rep's
 * @param likelihood of {@link #CERTAIN}, from 0 to it
 * @param month in which it is expected to close, or closed; numbered year × 12 + month − 1
 * @param stage the source's word for how far it is; null where it has none
 * @param amounts one per measure of the file in smallest units, not below 0; {@link Amounts#NONE}
 *     where there is none
 */
public record Deal(
    int line,
    String key,
    int rep,
    int product,
    int region,
    int likelihood,
    int month,
    State state,
    @Nullable String stage,
    long[] amounts) {
  /** 100 %: a likelihood has at most six decimals of a percent. */
  public static final int CERTAIN = 100_000_000;

  /** What has become of a deal. */
  public enum State {
    OPEN,
    WON,
    LOST;

    private static final State[] ALL = values();

    static State of(int ordinal) {
      return ALL[ordinal];
    }
  }

  /** The same deal with other values. */
  Deal with(int likelihood, int month, State state, long[] amounts) {
    return new Deal(line, key, rep, product, region, likelihood, month, state, stage, amounts);
  }

  /**
   * A likelihood, of {@link #CERTAIN}.
   *
   * @param share decimal text such as 0.6
   * @throws IllegalArgumentException unless it is a share from 0 to 1 with at most eight decimals
   */
  public static int likelihoodOf(String share) {
    Ratio units = Ratio.parse(share).times(Ratio.of(CERTAIN));
    if (!units.under().equals(BigInteger.ONE)
        || units.signum() < 0
        || units.compareTo(Ratio.of(CERTAIN)) > 0) {
      throw new IllegalArgumentException(
          "a likelihood must be 0 to 1 with at most eight decimals, was " + share);
    }
    return units.over().intValueExact();
  }

  /** Refuses what no deal can be with an IllegalArgumentException. */
  public Deal {
    if (key.isBlank()) {
      throw new IllegalArgumentException("key must not be blank");
    }
    if (likelihood < 0 || likelihood > CERTAIN) {
      throw new IllegalArgumentException(
          "likelihood must be 0 to " + CERTAIN + ", was " + likelihood);
    }
    for (long amount : amounts) {
      if (amount < 0 && amount != Amounts.NONE) {
        throw new IllegalArgumentException("amount must not be below 0, was " + amount);
      }
    }
  }
}
