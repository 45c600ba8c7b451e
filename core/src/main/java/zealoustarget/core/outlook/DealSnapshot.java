package zealoustarget.core.outlook;

import java.time.LocalDate;
import java.time.YearMonth;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.calendar.Months;

/**
 * All deals of a measure as one source knew them on a day. Immutable.
 *
 * @param deals each key once, in the order of the source
 */
public record DealSnapshot(String source, String measure, LocalDate asOf, List<Deal> deals) {
  /** Refuses a key that is there twice with an IllegalArgumentException. */
  public DealSnapshot {
    deals = List.copyOf(deals);
    Set<String> keys = new HashSet<>(deals.size() * 2);
    for (Deal deal : deals) {
      if (!keys.add(deal.key())) {
        throw new IllegalArgumentException("deal " + deal.key() + " must be there once");
      }
    }
  }

  /** The month of its day, by number: what is expected before it is overdue. */
  public int month() {
    return Months.number(YearMonth.from(asOf));
  }

  /**
   * The one in force of one source: the latest at or before a day, of the same day the last.
   *
   * @param posted in the order in which they were posted
   * @param asOf null for the latest of all
   * @return null where there is none
   */
  public static @Nullable DealSnapshot inForce(
      List<DealSnapshot> posted, @Nullable LocalDate asOf) {
    DealSnapshot latest = null;
    for (DealSnapshot one : posted) {
      boolean isEarlyEnough = asOf == null || !one.asOf().isAfter(asOf);
      if (isEarlyEnough && (latest == null || !one.asOf().isBefore(latest.asOf()))) {
        latest = one;
      }
    }
    return latest;
  }
}
