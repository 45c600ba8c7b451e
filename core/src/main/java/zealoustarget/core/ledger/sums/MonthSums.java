package zealoustarget.core.ledger.sums;

import java.util.Arrays;

/**
 * Sums and line counts of one month per member; place 0 is for lines that name none, a member's
 * place is its id + 1.
 *
 * <p>Sums are whole smallest units; one past the range of a long is an ArithmeticException.
 */
public final class MonthSums {
  private long[] sums;
  private int[] lines;

  public MonthSums(int members) {
    sums = new long[members + 1];
    lines = new int[members + 1];
  }

  /** Adds one line's amount in smallest units; a member of −1 is nobody. */
  public void add(int member, long amount) {
    int place = member + 1;
    if (place >= sums.length) {
      int larger = Math.max(place + 1, sums.length * 2);
      sums = Arrays.copyOf(sums, larger);
      lines = Arrays.copyOf(lines, larger);
    }
    sums[place] = Math.addExact(sums[place], amount);
    lines[place]++;
  }

  /** Adds what another month has into this one. */
  void addAll(MonthSums other) {
    if (other.sums.length > sums.length) {
      sums = Arrays.copyOf(sums, other.sums.length);
      lines = Arrays.copyOf(lines, other.lines.length);
    }
    for (int place = 0; place < other.sums.length; place++) {
      sums[place] = Math.addExact(sums[place], other.sums[place]);
      lines[place] += other.lines[place];
    }
  }

  /** The same month with nothing but some members. */
  public MonthSums only(Iterable<Integer> members) {
    MonthSums kept = new MonthSums(sums.length - 1);
    for (int member : members) {
      if (member + 1 < sums.length) {
        kept.sums[member + 1] = sums[member + 1];
        kept.lines[member + 1] = lines[member + 1];
      }
    }
    return kept;
  }

  public long sum(int member) {
    return member + 1 < sums.length ? sums[member + 1] : 0;
  }

  public int lines(int member) {
    return member + 1 < lines.length ? lines[member + 1] : 0;
  }
}
