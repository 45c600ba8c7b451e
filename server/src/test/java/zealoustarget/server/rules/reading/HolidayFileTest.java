package zealoustarget.server.rules.reading;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import zealoustarget.core.Refusal;
import zealoustarget.server.rules.reading.HolidayFile.Holiday;

/** Holidays come from iCalendar files as calendars export them. */
class HolidayFileTest {
  private static String calendar(String... events) {
    return "BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//harbour//days//EN\r\n"
        + String.join("", events)
        + "END:VCALENDAR\r\n";
  }

  private static String event(String id, String summary, String... lines) {
    return "BEGIN:VEVENT\r\nUID:"
        + id
        + "\r\nDTSTAMP:20260101T000000Z\r\nSUMMARY:"
        + summary
        + "\r\n"
        + String.join("\r\n", lines)
        + "\r\nEND:VEVENT\r\n";
  }

  @Test
  void wholeDays_areTaken_yearlyOnesInEachYear_othersOnce() {
    String file =
        calendar(
            event("1", "Harbour day", "DTSTART;VALUE=DATE:20261111"),
            event(
                "2",
                "Winter feast",
                "DTSTART;VALUE=DATE:20201225",
                "DTEND;VALUE=DATE:20201227",
                "RRULE:FREQ=YEARLY"),
            event("3", "Stock count", "DTSTART:20261203T090000Z", "DTEND:20261203T110000Z"),
            event("4", "Long ago", "DTSTART;VALUE=DATE:20190101"));
    assertThat(HolidayFile.read(file, 2026, 2027))
        .containsExactly(
            new Holiday("2026-11-11", "Harbour day"),
            new Holiday("2026-12-25", "Winter feast"),
            new Holiday("2026-12-26", "Winter feast"),
            new Holiday("2027-12-25", "Winter feast"),
            new Holiday("2027-12-26", "Winter feast"));
  }

  @ParameterizedTest
  @ValueSource(strings = {"", "date,name\n2026-12-25,feast\n", "BEGIN:VCALENDAR\r\nnonsense"})
  void whatIsNoCalendar_isSaid(String text) {
    assertThatThrownBy(() -> HolidayFile.read(text, 2026, 2027))
        .isInstanceOf(Refusal.class)
        .hasMessageContaining("iCalendar");
  }

  @Test
  void calendarWithoutADayInTheseYears_isSaid() {
    String file = calendar(event("1", "Long ago", "DTSTART;VALUE=DATE:20190101"));
    assertThatThrownBy(() -> HolidayFile.read(file, 2026, 2027))
        .hasMessage("The calendar has no whole-day entry from 2026 to 2027.");
  }
}
