package zealoustarget.core.calendar;

import java.time.YearMonth;

/** Months as numbers, so that rows hold them in four bytes: year × 12 + month − 1. */
public final class Months {
  private Months() {}

  public static int number(YearMonth month) {
    return month.getYear() * 12 + month.getMonthValue() - 1;
  }

  public static YearMonth of(int number) {
    return YearMonth.of(Math.floorDiv(number, 12), Math.floorMod(number, 12) + 1);
  }
}
