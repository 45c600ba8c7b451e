package zealoustarget.core.commission;

/**
 * What a correction of sealed months adds to the next open one.
 *
 * @param windowFrom first month number of the corrected window
 * @param through its last sealed month's number
 * @param earnedThen cents earned to date as they were settled, earlier adjustments included
 * @param earnedNow cents earned to date on what is posted now, under the terms of then
 */
public record Adjustment(int windowFrom, int through, long earnedThen, long earnedNow) {
  /** Cents, signed. */
  public long amount() {
    return Math.subtractExact(earnedNow, earnedThen);
  }
}
