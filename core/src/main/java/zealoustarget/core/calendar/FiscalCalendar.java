package zealoustarget.core.calendar;

import java.time.YearMonth;

/**
 * Numbers calendar months as fiscal ones, defined in docs/calculations.md, sections 1 and 5.
 *
 * <p>Worked: from July, named by the end: 2026-10 is month 4 and quarter 2 of fiscal 2027.
 *
 * @param startMonth calendar month in which the fiscal year begins, 1 to 12
 * @param yearNamedBy which of the two calendar years gives the name
 */
public record FiscalCalendar(int startMonth, YearNamedBy yearNamedBy) {
  /** The calendar year that names a fiscal year. */
  public enum YearNamedBy {
    START,
    END
  }

  /** The fiscal year is the calendar year. */
  public static final FiscalCalendar DEFAULT = new FiscalCalendar(1, YearNamedBy.END);

  /** Checks the start month. */
  public FiscalCalendar {
    if (startMonth < 1 || startMonth > 12) {
      throw new IllegalArgumentException("startMonth must be 1 to 12, was " + startMonth);
    }
  }

  /** The fiscal year's name as a number. */
  public int year(YearMonth month) {
    YearMonth first = firstOfYear(month);
    return yearNamedBy == YearNamedBy.START ? first.getYear() : first.plusMonths(11).getYear();
  }

  /** 1 for the fiscal year's first month, 12 for its last. */
  public int number(YearMonth month) {
    return Math.floorMod(month.getMonthValue() - startMonth, 12) + 1;
  }

  /** 1 to 4; a quarter is three fiscal months. */
  public int quarter(YearMonth month) {
    return (number(month) - 1) / 3 + 1;
  }

  /** The twelve months of the fiscal year with that name. */
  public Span year(int name) {
    int firstYear = yearNamedBy == YearNamedBy.START || startMonth == 1 ? name : name - 1;
    YearMonth first = YearMonth.of(firstYear, startMonth);
    return new Span(first, first.plusMonths(11));
  }

  /** From the fiscal quarter's first month to {@code toInclusive}. */
  public Span quarterToDate(YearMonth toInclusive) {
    return Span.ending(toInclusive, (number(toInclusive) - 1) % 3 + 1);
  }

  /** From the fiscal year's first month to {@code toInclusive}. */
  public Span yearToDate(YearMonth toInclusive) {
    return Span.ending(toInclusive, number(toInclusive));
  }

  /** The twelve months that end with {@code toInclusive}. */
  public Span trailingTwelve(YearMonth toInclusive) {
    return Span.ending(toInclusive, 12);
  }

  private YearMonth firstOfYear(YearMonth month) {
    return month.minusMonths(number(month) - 1L);
  }
}
