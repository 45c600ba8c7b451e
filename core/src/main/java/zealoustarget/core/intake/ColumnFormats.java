package zealoustarget.core.intake;

import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * What whole columns say of the way in which their numbers and dates are written. Fed with every
 * line of a file before the first is read.
 */
public final class ColumnFormats {
  private final Map<Integer, NumberText.Evidence> numbers = new HashMap<>();
  private final Map<Integer, DateText.Evidence> dates = new HashMap<>();

  /** Watches the columns of amounts and dates of a file with that header. */
  public ColumnFormats(Header header, LoadSpec spec) {
    for (Header.AmountColumn column : header.amounts()) {
      numbers.put(column.at(), new NumberText.Evidence(spec.isCommaGrouping()));
    }
    for (int place : new int[] {header.timePlace(), header.place(Header.Role.FROM)}) {
      if (place >= 0) {
        dates.put(place, new DateText.Evidence());
      }
    }
  }

  /** Takes in one line. */
  public void see(List<String> cells) {
    numbers.forEach(
        (at, evidence) -> {
          if (at < cells.size() && !cells.get(at).isEmpty()) {
            evidence.see(cells.get(at));
          }
        });
    dates.forEach(
        (at, evidence) -> {
          if (at < cells.size()) {
            evidence.see(cells.get(at));
          }
        });
  }

  NumberText.Evidence numbers(int place) {
    return numbers.getOrDefault(place, new NumberText.Evidence(true));
  }

  DateText.Order dateOrder(int place) {
    DateText.Evidence evidence = dates.get(place);
    return evidence == null ? DateText.Order.UNKNOWN : evidence.order();
  }
}
