package zealoustarget.server.rules.reading;

import java.io.IOException;
import java.io.StringReader;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.List;
import java.util.Objects;
import java.util.TreeMap;
import net.fortuna.ical4j.data.CalendarBuilder;
import net.fortuna.ical4j.data.ParserException;
import net.fortuna.ical4j.model.Component;
import net.fortuna.ical4j.model.Period;
import net.fortuna.ical4j.model.component.VEvent;
import zealoustarget.core.Refusal;

/** A country's holidays from an iCalendar file (RFC 5545). */
public final class HolidayFile {
  /** A day on which nobody works, and what it is called. */
  public record Holiday(String day, String name) {}

  private HolidayFile() {}

  /**
   * The whole days of a calendar within some years, in their order; yearly ones in each year.
   *
   * @param firstYear such as 2026
   * @param lastYear the last, with it
   * @throws Refusal value-unknown if it is not an iCalendar file, or has no whole day in these
   *     years
   */
  public static List<Holiday> read(String calendar, int firstYear, int lastYear) {
    TreeMap<LocalDate, String> days = new TreeMap<>();
    try {
      for (Object one :
          new CalendarBuilder().build(new StringReader(calendar)).getComponents(Component.VEVENT)) {
        add((VEvent) one, firstYear, lastYear, days);
      }
    } catch (IOException | ParserException | DateTimeException | IllegalArgumentException wrong) {
      throw Refusal.of("value-unknown", ReadingWords.THIS_IS_NOT_ICALENDAR_FILE);
    }
    if (days.isEmpty()) {
      throw Refusal.of(
          "value-unknown", ReadingWords.calendarHasNoWholeDayEntry(firstYear, lastYear));
    }
    return days.entrySet().stream()
        .map(one -> new Holiday(one.getKey().toString(), one.getValue()))
        .toList();
  }

  private static void add(
      VEvent event, int firstYear, int lastYear, TreeMap<LocalDate, String> days) {
    if (event.getDateTimeStart() == null
        || !(event.getDateTimeStart().getDate() instanceof LocalDate)) {
      return; // an hour of a day is no holiday
    }
    String name =
        event.getSummary() == null ? "" : Objects.toString(event.getSummary().getValue(), "");
    Period<LocalDate> years =
        new Period<>(LocalDate.of(firstYear, 1, 1), LocalDate.of(lastYear + 1, 1, 1));
    for (Period<LocalDate> time : event.<LocalDate>calculateRecurrenceSet(years)) {
      LocalDate until =
          time.getEnd().isAfter(time.getStart()) ? time.getEnd() : time.getStart().plusDays(1);
      time.getStart()
          .datesUntil(until)
          .filter(day -> day.getYear() >= firstYear && day.getYear() <= lastYear)
          .forEach(day -> days.putIfAbsent(day, name));
    }
  }
}
