package zealoustarget.server.platform.state;

import java.util.SortedSet;
import java.util.TreeSet;
import zealoustarget.core.ledger.ReadLog;

/** What an answer was read from, beside rules, goals and members, which every answer is. */
public final class ReadParts implements ReadLog {
  private final SortedSet<Integer> months = new TreeSet<>();
  private boolean isExtent;
  private boolean isEverything;

  @Override
  public void month(int number) {
    months.add(number);
  }

  @Override
  public void extent() {
    isExtent = true;
  }

  @Override
  public void everything() {
    isEverything = true;
  }

  /** How many months were read. */
  public int count() {
    return months.size();
  }

  SortedSet<Integer> months() {
    return months;
  }

  boolean isExtent() {
    return isExtent;
  }

  boolean isEverything() {
    return isEverything;
  }
}
