package zealoustarget.core.ledger.sums;

import java.util.List;

/** What was posted of one measure in a span, by member and month. */
public final class Tally {
  private final List<MonthSums> months;
  private final MonthSums all;

  /** Adds up the months of a span, in their order; at least one. */
  public Tally(List<MonthSums> months) {
    this.months = months;
    if (months.size() == 1) {
      all = months.get(0);
    } else {
      all = new MonthSums(0);
      months.forEach(all::addAll);
    }
  }

  long sum(int member) {
    return all.sum(member);
  }

  int lines(int member) {
    return all.lines(member);
  }

  /** Sum of one month, numbered from 0 within the span. */
  long sum(int member, int month) {
    return months.get(month).sum(member);
  }

  int length() {
    return months.size();
  }

  boolean hasLines(int member, int month) {
    return months.get(month).lines(member) > 0;
  }
}
