package zealoustarget.core.calendar;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.Set;

/**
 * Weekdays less the holidays; docs/calculations.md, section 5.
 *
 * @param holidays days that do not count; those on weekends make no difference
 */
public record WorkingDays(Set<LocalDate> holidays) {
  public static final WorkingDays WEEKDAYS = new WorkingDays(Set.of());

  /** Keeps its own copy. */
  public WorkingDays {
    holidays = Set.copyOf(holidays);
  }

  /** Working days of a month. */
  public int in(YearMonth month) {
    return elapsed(month, month.atEndOfMonth());
  }

  /** Working days of a month up to a day, which counts as elapsed; 0 before the month. */
  public int elapsed(YearMonth month, LocalDate asOfInclusive) {
    LocalDate end = month.atEndOfMonth();
    LocalDate last = asOfInclusive.isAfter(end) ? end : asOfInclusive;
    return (int)
        month
            .atDay(1)
            .datesUntil(last.isBefore(month.atDay(1)) ? month.atDay(1) : last.plusDays(1))
            .filter(this::isWorking)
            .count();
  }

  /**
   * Which working day after a month a day is: 1 for the first one after its end, 0 for a day of the
   * month or earlier; a day that is none counts with the one before it.
   */
  public int after(YearMonth month, LocalDate day) {
    LocalDate first = month.atEndOfMonth().plusDays(1);
    return day.isBefore(first)
        ? 0
        : (int) first.datesUntil(day.plusDays(1)).filter(this::isWorking).count();
  }

  private boolean isWorking(LocalDate day) {
    return day.getDayOfWeek() != DayOfWeek.SATURDAY
        && day.getDayOfWeek() != DayOfWeek.SUNDAY
        && !holidays.contains(day);
  }
}
