package zealoustarget.core.close;

import java.time.LocalDate;
import java.time.YearMonth;
import java.time.temporal.ChronoUnit;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.OptionalInt;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.IntFunction;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.ledger.columns.ActualBlock;

/**
 * When one source's lines of each month came first; docs/calculations.md, section 11. Days are
 * counted from the end of the month: 1 is the first day of the next, 0 or less a day of the month
 * itself.
 *
 * @param days by month number
 * @param along months that came first in one load with later ones: such a load says nothing of the
 *     day on which they usually come
 */
public record Arrivals(NavigableMap<Integer, Integer> days, Set<Integer> along) {
  /** How many days after its usual day a source counts as late. */
  public static final int GRACE = 3;

  private static final int MONTHS_LOOKED_AT = 6;

  /** Keeps its own copy. */
  public Arrivals {
    days = new TreeMap<>(days);
    along = Set.copyOf(along);
  }

  /**
   * The arrivals of every source.
   *
   * @param blocks everything that is posted
   * @param sourceOf the source of a load by its number; null for loads without one
   * @param cameOn the day on which a load came; null passes it over
   */
  public static Map<String, Arrivals> of(
      List<ActualBlock> blocks,
      IntFunction<@Nullable String> sourceOf,
      IntFunction<@Nullable LocalDate> cameOn) {
    Map<String, NavigableMap<Integer, Integer>> bySource = new HashMap<>();
    Map<String, Set<Integer>> along = new HashMap<>();
    Map<Integer, Integer> lastOfLoad = new HashMap<>();
    for (ActualBlock block : blocks) {
      months(block).forEach(month -> lastOfLoad.merge(block.loadId(), month, Math::max));
    }
    for (ActualBlock block : blocks) {
      String source = sourceOf.apply(block.loadId());
      LocalDate day = source == null ? null : cameOn.apply(block.loadId());
      if (source == null || day == null) {
        continue;
      }
      NavigableMap<Integer, Integer> days =
          bySource.computeIfAbsent(source, none -> new TreeMap<>());
      Set<Integer> ofSource = along.computeIfAbsent(source, none -> new HashSet<>());
      months(block)
          .forEach(
              month -> {
                int after = daysAfter(Months.of(month), day);
                if (after < days.getOrDefault(month, Integer.MAX_VALUE)) {
                  days.put(month, after);
                  boolean isAlong = month < lastOfLoad.getOrDefault(block.loadId(), month);
                  if (isAlong) {
                    ofSource.add(month);
                  } else {
                    ofSource.remove(month);
                  }
                }
              });
    }
    Map<String, Arrivals> all = new TreeMap<>();
    bySource.forEach(
        (source, days) ->
            all.put(source, new Arrivals(days, along.getOrDefault(source, Set.of()))));
    return all;
  }

  private static IntStream months(ActualBlock block) {
    return block.monthsWithRows().filter(month -> hasAmounts(block, month));
  }

  private static boolean hasAmounts(ActualBlock block, int month) {
    return IntStream.range(block.firstRowFrom(month), block.firstRowFrom(month + 1))
        .anyMatch(block::hasAmount);
  }

  /** Days from a month's end to a day. */
  public static int daysAfter(YearMonth month, LocalDate day) {
    return Math.toIntExact(ChronoUnit.DAYS.between(month.atEndOfMonth(), day));
  }

  /**
   * The usual day for a month: the median of the days of the six months before it that have one of
   * their own; the mean of the middle two where their number is even, a half rounded up. Empty
   * without any.
   *
   * <p>Worked: 3, 3, 4 and 9 give 4.
   *
   * @param month its number
   */
  public OptionalInt usualDay(int month) {
    List<Integer> sorted =
        days.subMap(month - MONTHS_LOOKED_AT, month).entrySet().stream()
            .filter(one -> !along.contains(one.getKey()))
            .map(Map.Entry::getValue)
            .sorted()
            .toList();
    if (sorted.isEmpty()) {
      return OptionalInt.empty();
    }
    int middle = sorted.size() / 2;
    return OptionalInt.of(
        sorted.size() % 2 == 1
            ? sorted.get(middle)
            : Math.floorDiv(sorted.get(middle - 1) + sorted.get(middle) + 1, 2));
  }

  /**
   * How many days after its usual day a month's lines came, or with {@code today} how many it has
   * been without them; negative for earlier. Empty without a usual day.
   *
   * @param month its number
   */
  public OptionalInt behind(int month, LocalDate today) {
    Integer came = days.get(month);
    int day = came == null ? daysAfter(Months.of(month), today) : came;
    OptionalInt usual = usualDay(month);
    return usual.isEmpty() ? usual : OptionalInt.of(day - usual.getAsInt());
  }
}
