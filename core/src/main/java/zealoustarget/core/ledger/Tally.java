package zealoustarget.core.ledger;

import java.util.BitSet;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Ratio;

/**
 * Sums and line counts per member of an axis; place 0 is for lines that name none.
 *
 * <p>Sums are whole smallest units; one past the range of a long is an ArithmeticException.
 */
final class Tally {
  private final long[] sums;
  private final int[] lines;
  private final BitSet[] months;
  private final BitSet allMonths = new BitSet();
  private long totalSum;
  private int totalLines;

  Tally(int members) {
    sums = new long[members + 1];
    lines = new int[members + 1];
    months = new BitSet[members + 1];
  }

  void add(int member, int month, int firstMonth, long amount) {
    int place = member + 1;
    sums[place] = Math.addExact(sums[place], amount);
    lines[place]++;
    totalSum = Math.addExact(totalSum, amount);
    totalLines++;
    BitSet seen = months[place];
    if (seen == null) {
      seen = new BitSet();
      months[place] = seen;
    }
    seen.set(month - firstMonth);
    allMonths.set(month - firstMonth);
  }

  boolean has(int member) {
    return lines[member + 1] > 0;
  }

  long sum(int member) {
    return sums[member + 1];
  }

  int lines(int member) {
    return lines[member + 1];
  }

  int months(int member) {
    BitSet seen = months[member + 1];
    return seen == null ? 0 : seen.cardinality();
  }

  /** The sum, or null where nothing was posted. */
  @Nullable Ratio sumOrNull(int member) {
    return has(member) ? Ratio.of(sum(member)) : null;
  }

  long total() {
    return totalSum;
  }

  int totalMonths() {
    return allMonths.cardinality();
  }

  @Nullable Ratio totalOrNull() {
    return totalLines > 0 ? Ratio.of(totalSum) : null;
  }
}
