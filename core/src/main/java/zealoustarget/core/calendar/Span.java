package zealoustarget.core.calendar;

import java.time.YearMonth;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.stream.Stream;

/**
 * One or more consecutive months that are read together, both ends included.
 *
 * @param fromInclusive first month
 * @param toInclusive last month, not before the first
 */
public record Span(YearMonth fromInclusive, YearMonth toInclusive) {
  /** Checks that the months do not run backwards. */
  public Span {
    if (toInclusive.isBefore(fromInclusive)) {
      throw new IllegalArgumentException(
          "to must not be before from, was " + fromInclusive + " to " + toInclusive);
    }
  }

  public static Span of(YearMonth month) {
    return new Span(month, month);
  }

  /** The {@code months} months that end with {@code toInclusive}; {@code months} is at least 1. */
  public static Span ending(YearMonth toInclusive, int months) {
    return new Span(toInclusive.minusMonths(months - 1L), toInclusive);
  }

  public int length() {
    return (int) ChronoUnit.MONTHS.between(fromInclusive, toInclusive) + 1;
  }

  public boolean contains(YearMonth month) {
    return !month.isBefore(fromInclusive) && !month.isAfter(toInclusive);
  }

  /** The span of equal length just before this one. */
  public Span before() {
    int length = length();
    return new Span(fromInclusive.minusMonths(length), toInclusive.minusMonths(length));
  }

  /** The same months a year earlier. */
  public Span yearBefore() {
    return new Span(fromInclusive.minusYears(1), toInclusive.minusYears(1));
  }

  /** All months in order. */
  public List<YearMonth> months() {
    return Stream.iterate(fromInclusive, m -> m.plusMonths(1)).limit(length()).toList();
  }
}
