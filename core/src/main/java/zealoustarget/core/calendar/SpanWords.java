package zealoustarget.core.calendar;

import java.time.YearMonth;
import java.time.format.TextStyle;
import java.util.Locale;

/**
 * How a sentence speaks of a span.
 *
 * @param text such as "October 2026" or "Four months in, fiscal 2027"
 * @param isPlural whether it takes "are"
 */
public record SpanWords(String text, boolean isPlural) {
  private static final String[] NUMBERS = {
    "One", "Two", "Three", "Four", "Five", "Six", "Seven", "Eight", "Nine", "Ten", "Eleven"
  };

  /** The words for a span, by what it is in the fiscal calendar. */
  public static SpanWords of(Span span, FiscalCalendar calendar) {
    YearMonth last = span.toInclusive();
    if (span.length() == 1) {
      return new SpanWords(name(last), false);
    }
    if (span.equals(calendar.yearToDate(last))) {
      String year = "fiscal " + calendar.year(last);
      return span.length() == 12
          ? new SpanWords("Fiscal " + calendar.year(last), false)
          : new SpanWords(NUMBERS[span.length() - 1] + " months in, " + year, false);
    }
    if (span.equals(calendar.quarterToDate(last))) {
      String to = span.length() == 3 ? "" : " to " + name(last);
      return new SpanWords(
          "Quarter " + calendar.quarter(last) + " of fiscal " + calendar.year(last) + to, false);
    }
    if (span.length() == 12) {
      return new SpanWords("The twelve months to " + name(last), true);
    }
    return new SpanWords(
        "The " + span.length() + " months from " + name(span.fromInclusive()) + " to " + name(last),
        true);
  }

  /** A month's name and year: "October 2026". */
  public static String name(YearMonth month) {
    return month.getMonth().getDisplayName(TextStyle.FULL, Locale.ENGLISH) + " " + month.getYear();
  }
}
