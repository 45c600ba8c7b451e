package zealoustarget.core.amount;

/** Amounts of one line side by side, in smallest units, one for each of its columns. */
public final class Amounts {
  /** Stands where a line has no amount. */
  public static final long NONE = Long.MIN_VALUE;

  /** Stands where an entered line takes a goal away. */
  public static final long CLEARED = Long.MIN_VALUE + 1;

  private Amounts() {}

  /** Whether any of them is there. */
  public static boolean hasAny(long[] amounts) {
    for (long amount : amounts) {
      if (amount != NONE) {
        return true;
      }
    }
    return false;
  }
}
