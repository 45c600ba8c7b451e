package zealoustarget.demo;

import java.time.LocalDate;
import java.time.YearMonth;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** On which days the demo company's files came, and its months were closed. */
final class Arrivals {
  private static final Pattern MONTH = Pattern.compile("orders-(\\d{4}-\\d{2})\\.csv");
  private static final Pattern SNAPSHOT = Pattern.compile("deals-(\\d{4}-\\d{2}-\\d{2})\\.csv");

  private static final Map<YearMonth, Integer> DAY_OF_ORDERS =
      Map.of(
          YearMonth.of(2026, 7), 4,
          YearMonth.of(2026, 8), 3,
          YearMonth.of(2026, 9), 2,
          YearMonth.of(2026, 10), 3);

  private static final Map<YearMonth, Integer> DAY_OF_CLOSING =
      Map.of(YearMonth.of(2026, 7), 12, YearMonth.of(2026, 8), 9, YearMonth.of(2026, 9), 8);

  private static final Map<String, String> OTHERS =
      Map.of(
          "orders-fy25.csv", "2025-07-02",
          "orders-fy26.csv", "2026-07-02",
          "orders-2026-11.csv", "2026-11-23",
          "spend-fy27.csv", "2026-11-06",
          "returns-fy27.csv", "2026-11-05",
          "orders-2026-10-harbour-isles.csv", "2026-11-24",
          "orders-2026-09-correction.csv", "2026-10-14");

  private static final LocalDate BEFORE_THE_YEAR = LocalDate.of(2026, 6, 29);

  private Arrivals() {}

  /** The day on which a file came; goals and lists before the fiscal year. */
  static LocalDate of(String file) {
    String other = OTHERS.get(file);
    if (other != null) {
      return LocalDate.parse(other);
    }
    Matcher orders = MONTH.matcher(file);
    if (orders.matches()) {
      YearMonth month = YearMonth.parse(orders.group(1));
      return month.plusMonths(1).atDay(DAY_OF_ORDERS.get(month));
    }
    Matcher snapshot = SNAPSHOT.matcher(file);
    return snapshot.matches() ? LocalDate.parse(snapshot.group(1)).plusDays(1) : BEFORE_THE_YEAR;
  }

  /** The day on which a month was closed: sooner every time. */
  static LocalDate closing(YearMonth month) {
    return month.plusMonths(1).atDay(DAY_OF_CLOSING.get(month));
  }
}
