package zealoustarget.core.intake.values;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.intake.FindingCode;

/**
 * Reads dates and months as people and systems write them.
 *
 * <p>Understood: 2026-10-31 (also with a time), 2026/10/31, 20261031, 31.10.2026, 31-Oct-2026,
 * 10/31/2026 and 31/10/2026 where the day is over 12 or the column says which comes first; months
 * as 2026-10, 2026/10, 10/2026, 10.2026, 202610, Oct 2026, October 2026, Oct-26.
 */
public final class DateText {
  /**
   * What a text says.
   *
   * @param month null where there is a fault
   * @param day null where only a month was given
   * @param fault null where the text was read
   * @param first first of two readings, for an ambiguous date
   */
  public record Result(
      @Nullable YearMonth month,
      @Nullable LocalDate day,
      @Nullable FindingCode fault,
      @Nullable LocalDate first,
      @Nullable LocalDate second) {
    private static Result of(YearMonth month) {
      return inCalendar(month)
          ? new Result(month, null, null, null, null)
          : fault(FindingCode.MONTH_OUTSIDE_CALENDAR);
    }

    private static Result of(LocalDate day) {
      YearMonth month = YearMonth.from(day);
      return inCalendar(month)
          ? new Result(month, day, null, null, null)
          : fault(FindingCode.MONTH_OUTSIDE_CALENDAR);
    }

    private static Result fault(FindingCode code) {
      return new Result(null, null, code, null, null);
    }

    private static boolean inCalendar(YearMonth month) {
      return month.getYear() >= 1990 && month.getYear() <= 2100;
    }
  }

  /** Which of day and month comes first in a column of dates with slashes or dashes. */
  public enum Order {
    DAY_FIRST,
    MONTH_FIRST,
    UNKNOWN
  }

  /** The first look at a date that could say which of day and month comes first. */
  public enum Hint {
    NONE,
    DAY_FIRST,
    MONTH_FIRST,
    /** Two numbers up to 12 before the year. */
    EITHER
  }

  /** What one date, not empty, says of its column's order; null where it is no such date. */
  public static @Nullable Hint hint(String text) {
    Matcher parts = TWO_FIRST.matcher(text.strip());
    if (!parts.matches()) {
      return null;
    }
    boolean isDayFirst = Integer.parseInt(parts.group(1)) > 12;
    boolean isMonthFirst = Integer.parseInt(parts.group(2)) > 12;
    if (isDayFirst == isMonthFirst) {
      return isDayFirst ? Hint.NONE : Hint.EITHER;
    }
    return isDayFirst ? Hint.DAY_FIRST : Hint.MONTH_FIRST;
  }

  private static final String TIME = "(?:[T ]\\d{1,2}:\\d{2}.*)?";
  private static final Pattern YEAR_FIRST =
      Pattern.compile("(\\d{4})([-/.])(\\d{1,2})\\2(\\d{1,2})" + TIME);
  private static final Pattern TWO_FIRST =
      Pattern.compile("(\\d{1,2})[/-](\\d{1,2})[/-](\\d{4}|\\d{2})" + TIME);
  private static final Pattern DOTTED =
      Pattern.compile("(\\d{1,2})\\.(\\d{1,2})\\.(\\d{4}|\\d{2})" + TIME);
  private static final Pattern DAY_AND_NAME =
      Pattern.compile("(\\d{1,2})[ -]([A-Za-z]{3,9})\\.?[ -](\\d{4}|\\d{2})");
  private static final Pattern YEAR_MONTH = Pattern.compile("(\\d{4})[-/.](\\d{1,2})");
  private static final Pattern MONTH_YEAR = Pattern.compile("(\\d{1,2})[-/.](\\d{4})");
  private static final Pattern NAME_YEAR =
      Pattern.compile("([A-Za-z]{3,9})\\.?[ -]?'?(\\d{4}|\\d{2})");
  private static final Pattern COMPACT = Pattern.compile("(\\d{4})(\\d{2})(\\d{2})?");
  private static final Pattern NAME_FIRST =
      Pattern.compile("([A-Za-z]{3,9})\\.? (\\d{1,2})(?:st|nd|rd|th)?,? (\\d{4})");
  private static final int SHORTEST_NAME = 3;
  private static final List<String> NAMES =
      List.of(
          "january",
          "february",
          "march",
          "april",
          "may",
          "june",
          "july",
          "august",
          "september",
          "october",
          "november",
          "december");

  private DateText() {}

  /** Reads one cell; {@code order} decides dates that could be read either way. */
  public static Result read(String cell, Order order) {
    if (isPlain(cell)) {
      return day(cell.substring(0, 4), cell.substring(5, 7), cell.substring(8));
    }
    String text = cell.strip();
    if (text.isEmpty()) {
      return Result.fault(FindingCode.DATE_MISSING);
    }
    Matcher match = YEAR_FIRST.matcher(text);
    if (match.matches()) {
      return day(match.group(1), match.group(3), match.group(4));
    }
    match = YEAR_MONTH.matcher(text);
    if (match.matches()) {
      return month(match.group(1), match.group(2));
    }
    match = DOTTED.matcher(text);
    if (match.matches()) {
      return day(match.group(3), match.group(2), match.group(1));
    }
    match = TWO_FIRST.matcher(text);
    if (match.matches()) {
      return eitherWay(match, order);
    }
    match = MONTH_YEAR.matcher(text);
    if (match.matches()) {
      return month(match.group(2), match.group(1));
    }
    match = COMPACT.matcher(text);
    if (match.matches()) {
      return match.group(3) == null
          ? month(match.group(1), match.group(2))
          : day(match.group(1), match.group(2), match.group(3));
    }
    return named(text);
  }

  /** The common form 2026-10-31, known without any pattern. */
  private static boolean isPlain(String cell) {
    if (cell.length() != 10 || cell.charAt(4) != '-' || cell.charAt(7) != '-') {
      return false;
    }
    for (int i = 0; i < 10; i++) {
      char c = cell.charAt(i);
      if (i != 4 && i != 7 && (c < '0' || c > '9')) {
        return false;
      }
    }
    return true;
  }

  /** A header that names a month, such as {@code Jul-26}; null where it does not. */
  public static @Nullable YearMonth monthHeader(String header) {
    String text = header.strip();
    boolean isMonth =
        YEAR_MONTH.matcher(text).matches()
            || MONTH_YEAR.matcher(text).matches()
            || NAME_YEAR.matcher(text).matches()
            || (COMPACT.matcher(text).matches() && text.length() == 6);
    return isMonth ? read(text, Order.UNKNOWN).month() : null;
  }

  private static Result named(String text) {
    Matcher nameFirst = NAME_FIRST.matcher(text);
    int first = nameFirst.matches() ? monthByName(nameFirst.group(1)) : 0;
    if (first > 0) {
      return day(nameFirst.group(3), Integer.toString(first), nameFirst.group(2));
    }
    Matcher match = DAY_AND_NAME.matcher(text);
    if (match.matches()) {
      int month = monthByName(match.group(2));
      return month == 0
          ? Result.fault(FindingCode.DATE_UNREADABLE)
          : day(match.group(3), Integer.toString(month), match.group(1));
    }
    match = NAME_YEAR.matcher(text);
    if (match.matches()) {
      int month = monthByName(match.group(1));
      return month == 0
          ? Result.fault(FindingCode.DATE_UNREADABLE)
          : month(match.group(2), Integer.toString(month));
    }
    return Result.fault(FindingCode.DATE_UNREADABLE);
  }

  private static Result eitherWay(Matcher match, Order order) {
    Result dayFirst = day(match.group(3), match.group(2), match.group(1));
    Result monthFirst = day(match.group(3), match.group(1), match.group(2));
    int first = Integer.parseInt(match.group(1));
    int second = Integer.parseInt(match.group(2));
    if (first > 12 || first == second || (order == Order.DAY_FIRST && second <= 12)) {
      return dayFirst;
    }
    if (second > 12 || order == Order.MONTH_FIRST) {
      return monthFirst;
    }
    return dayFirst.day() == null || monthFirst.day() == null
        ? Result.fault(FindingCode.DAY_DOES_NOT_EXIST)
        : new Result(null, null, FindingCode.DATE_AMBIGUOUS, dayFirst.day(), monthFirst.day());
  }

  private static Result day(String year, String month, String day) {
    int monthNumber = Integer.parseInt(month);
    if (monthNumber < 1 || monthNumber > 12) {
      return Result.fault(FindingCode.MONTH_OUTSIDE_CALENDAR);
    }
    try {
      LocalDate read = LocalDate.of(year(year), monthNumber, Integer.parseInt(day));
      return isOpenCentury(year)
          ? new Result(null, null, FindingCode.DATE_AMBIGUOUS, read.minusYears(100), read)
          : Result.of(read);
    } catch (DateTimeException noSuchDay) {
      return Result.fault(FindingCode.DAY_DOES_NOT_EXIST);
    }
  }

  private static Result month(String year, String month) {
    int monthNumber = Integer.parseInt(month);
    return monthNumber < 1 || monthNumber > 12
        ? Result.fault(FindingCode.MONTH_OUTSIDE_CALENDAR)
        : isOpenCentury(year)
            ? Result.fault(FindingCode.DATE_UNREADABLE)
            : Result.of(YearMonth.of(year(year), monthNumber));
  }

  /** Two digits from 70 on are rather of the last century than of the end of this one. */
  private static boolean isOpenCentury(String digits) {
    return digits.length() == 2 && Integer.parseInt(digits) >= 70;
  }

  private static int year(String digits) {
    int year = Integer.parseInt(digits);
    return digits.length() == 2 ? 2000 + year : year;
  }

  /** 1 to 12 for a month's name or its first three or more letters; 0 for anything else. */
  public static int monthByName(String name) {
    String folded = name.toLowerCase(Locale.ROOT);
    for (int i = 0; i < NAMES.size() && folded.length() >= SHORTEST_NAME; i++) {
      if (NAMES.get(i).startsWith(folded) || (folded.equals("sept") && i == 8)) {
        return i + 1;
      }
    }
    return 0;
  }
}
