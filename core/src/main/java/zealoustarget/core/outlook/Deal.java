package zealoustarget.core.outlook;

import zealoustarget.core.ledger.columns.Members;

/**
 * A deal as a source knew it on the day of a snapshot.
 *
 * @param rep member id
 * @param product member id; {@link Members#NONE} without
 * @param region its own, as a member id; {@link Members#NONE} for the rep's
 * @param amount in the measure's smallest unit, not below 0
 * @param likelihood of {@link #CERTAIN}, from 0 to it
 * @param month in which it is expected to close, or closed; numbered year × 12 + month − 1
 */
public record Deal(
    String key,
    int rep,
    int product,
    int region,
    long amount,
    int likelihood,
    int month,
    State state) {
  /** 100 %: a likelihood has at most six decimals of a percent. */
  public static final int CERTAIN = 100_000_000;

  /** What has become of a deal. */
  public enum State {
    OPEN,
    WON,
    LOST
  }

  /** Refuses what no deal can be with an IllegalArgumentException. */
  public Deal {
    if (key.isBlank()) {
      throw new IllegalArgumentException("key must not be blank");
    }
    if (amount < 0) {
      throw new IllegalArgumentException("amount must not be below 0, was " + amount);
    }
    if (likelihood < 0 || likelihood > CERTAIN) {
      throw new IllegalArgumentException(
          "likelihood must be 0 to " + CERTAIN + ", was " + likelihood);
    }
  }

  public boolean isOpen() {
    return state == State.OPEN;
  }
}
