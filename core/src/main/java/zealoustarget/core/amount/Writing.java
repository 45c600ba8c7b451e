package zealoustarget.core.amount;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.Locale;
import org.jspecify.annotations.Nullable;

/**
 * How the company writes numbers and dates: for what is shown and exported, and as the first guess
 * of a file that does not show it by itself. What is not set is null.
 *
 * @param decimal the mark before decimals
 * @param grouping the mark between thousands: a comma, a point, an apostrophe, a blank, or empty
 *     for none
 * @param dates which of day, month and year comes first
 * @param weekStart first day of the week
 */
public record Writing(
    @Nullable Decimal decimal,
    @Nullable String grouping,
    @Nullable Dates dates,
    @Nullable DayOfWeek weekStart) {
  /** The mark before decimals. */
  public enum Decimal {
    POINT('.'),
    COMMA(',');

    private final char mark;

    Decimal(char mark) {
      this.mark = mark;
    }

    public char mark() {
      return mark;
    }
  }

  /** The order in which a date is written; shown with the month's name, so that it is certain. */
  public enum Dates {
    DMY("d MMM uuuu"),
    MDY("MMM d, uuuu"),
    YMD("uuuu-MM-dd");

    private final DateTimeFormatter format;

    Dates(String pattern) {
      this.format = DateTimeFormatter.ofPattern(pattern, Locale.ENGLISH);
    }
  }

  /** Nothing is set. */
  public static final Writing NONE = new Writing(null, null, null, null);

  private static final String NARROW_SPACE = "\u202f";
  private static final char MINUS = '\u2212';

  /** Checks that the two marks differ. */
  public Writing {
    if (grouping != null && !grouping.matches("[.,' ]?")) {
      throw new IllegalArgumentException(
          "grouping must be a comma, a point, an apostrophe, a blank or empty");
    }
    if (decimal != null && Character.toString(decimal.mark()).equals(grouping)) {
      throw new IllegalArgumentException("decimal and grouping must be different marks");
    }
  }

  /** The mark before decimals in what is shown; a point where nothing says otherwise. */
  public char decimalMark() {
    if (decimal != null) {
      return decimal.mark();
    }
    return ".".equals(grouping) ? ',' : '.';
  }

  /** The mark between thousands in what is shown; a narrow blank where nothing says otherwise. */
  public String groupingMark() {
    return grouping == null || grouping.equals(" ") ? NARROW_SPACE : grouping;
  }

  /**
   * Groups the digits of a plain decimal: {@code "-13650.00"} is "−13 650.00" where nothing is set,
   * and "−13.650,00" with a decimal comma and points.
   */
  public String grouped(String plain) {
    boolean isNegative = plain.startsWith("-");
    String digits = isNegative ? plain.substring(1) : plain;
    int point = digits.indexOf('.');
    int end = point < 0 ? digits.length() : point;
    StringBuilder text = new StringBuilder(digits);
    if (point >= 0) {
      text.setCharAt(point, decimalMark());
    }
    for (int at = end - 3; at > 0; at -= 3) {
      text.insert(at, groupingMark());
    }
    return isNegative ? MINUS + text.toString() : text.toString();
  }

  /** A plain decimal in a message: in the company's marks once they are set, else as it stands. */
  public String inWords(String plain) {
    return decimal == null && grouping == null ? plain : grouped(plain);
  }

  /** A plain decimal with the company's decimal mark and no thousands, for files. */
  public String plain(String decimalText) {
    return decimalText.replace('.', decimalMark());
  }

  /** A day in the company's order; year first where nothing is set. */
  public String day(LocalDate day) {
    return (dates == null ? Dates.YMD : dates).format.format(day);
  }
}
