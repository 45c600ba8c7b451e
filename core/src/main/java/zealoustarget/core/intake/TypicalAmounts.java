package zealoustarget.core.intake;

import java.util.Arrays;

/**
 * How large the posted lines of each rep usually are, of one measure, so that a line far from them
 * can be pointed out.
 *
 * <p>A line is far where its absolute amount is at least ten times the median of the rep's absolute
 * amounts and more than twice their largest; nothing is far from fewer than 20 lines. Lines of the
 * twelve latest months that have any are looked at.
 */
public final class TypicalAmounts {
  private static final int FEWEST_LINES = 20;
  private static final long TIMES = 10;
  private static final int MONTHS = 12;

  private final long[] medians;
  private final long[] largest;
  private final boolean[] hasNegative;

  private TypicalAmounts(int reps) {
    medians = new long[reps];
    largest = new long[reps];
    hasNegative = new boolean[reps];
  }

  /** Posted lines of one measure that name a rep; they are gone through twice. */
  public interface PostedLines {
    /** Shows every line's rep and amount, of the latest months that have any. */
    void each(int mostMonths, Line visitor);
  }

  /** Takes one line in. */
  public interface Line {
    void see(int rep, long amount);
  }

  /** Looks through posted lines; {@code reps} is one more than the largest id of a rep. */
  public static TypicalAmounts of(int reps, PostedLines lines) {
    int[] counts = new int[reps];
    lines.each(MONTHS, (rep, amount) -> counts[rep]++);
    long[][] amounts = new long[reps][];
    Arrays.setAll(amounts, rep -> new long[counts[rep]]);
    TypicalAmounts usual = new TypicalAmounts(reps);
    lines.each(
        MONTHS,
        (rep, amount) -> {
          amounts[rep][--counts[rep]] = Math.abs(amount);
          usual.hasNegative[rep] |= amount < 0;
        });
    for (int rep = 0; rep < reps; rep++) {
      long[] ordered = amounts[rep];
      if (ordered.length >= FEWEST_LINES) {
        Arrays.sort(ordered);
        usual.medians[rep] = ordered[ordered.length / 2];
        usual.largest[rep] = ordered[ordered.length - 1];
      }
    }
    return usual;
  }

  /** Whether an amount lies far above what the rep's lines usually are. */
  public boolean isFar(int rep, long amount) {
    if (rep < 0 || rep >= medians.length || medians[rep] == 0) {
      return false;
    }
    long absolute = Math.abs(amount);
    return absolute / TIMES >= medians[rep] && absolute / 2 > largest[rep];
  }

  /** The usual absolute amount of the rep's lines, in smallest units. */
  public long median(int rep) {
    return medians[rep];
  }

  /** The median of the reps' usual amounts, in smallest units; 0 where no rep has enough lines. */
  public long overall() {
    long[] known = Arrays.stream(medians).filter(median -> median > 0).sorted().toArray();
    return known.length == 0 ? 0 : known[known.length / 2];
  }

  /** Whether the amount is negative and none of the rep's many lines ever was. */
  public boolean isWrongSign(int rep, long amount) {
    return amount < 0 && rep >= 0 && rep < medians.length && medians[rep] != 0 && !hasNegative[rep];
  }
}
