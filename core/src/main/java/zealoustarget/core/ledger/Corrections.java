package zealoustarget.core.ledger;

import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Amounts;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.calendar.Span;
import zealoustarget.core.ledger.columns.ActualBlock;
import zealoustarget.core.ledger.columns.Members;
import zealoustarget.core.ledger.query.RowFilter;
import zealoustarget.core.ledger.query.StandingQuery;
import zealoustarget.core.member.Axis;

/**
 * What was posted for closed months since they were closed; docs/calculations.md, section 2.
 *
 * <p>A line counts where only one of the two readings holds it. One that moved to another member
 * counts in both members' rows and not in the total.
 */
public final class Corrections {
  /**
   * Lines that only one reading holds, added up.
   *
   * @param actual restated less as closed, smallest units
   * @param lines how many lines that are; some may cancel out
   */
  public record Sum(long actual, int lines) {
    public static final Sum NONE = new Sum(0, 0);

    private Sum plus(long amount) {
      return new Sum(Math.addExact(actual, amount), lines + 1);
    }
  }

  /**
   * Where a line counts.
   *
   * @param group id on the groups' axis, −1 without groups
   * @param member id on the rows' axis, −1 where the line names none
   */
  public record Place(int group, int member) {}

  /**
   * One line that the readings hold differently.
   *
   * @param then where it counts as closed, null where it does not
   * @param now where it counts restated, null where it does not
   * @param amount in the measure's smallest unit
   */
  public record Line(
      int loadId,
      int line,
      int month,
      int rep,
      @Nullable Place then,
      @Nullable Place now,
      long amount) {}

  /** A row of a file; a wide line brings several, alike ones are told apart by their number. */
  private record RowKey(
      int loadId, int line, int month, int rep, int product, int region, long amount, int number) {}

  private final List<Line> lines;
  private final Map<Place, Sum> byPlace = new HashMap<>();

  private Corrections(List<Line> lines) {
    this.lines = lines;
    for (Line line : lines) {
      add(line.then(), -line.amount());
      add(line.now(), line.amount());
    }
  }

  private void add(@Nullable Place place, long amount) {
    if (place != null) {
      byPlace.merge(place, Sum.NONE.plus(amount), (had, one) -> had.plus(amount));
    }
  }

  /**
   * Compares the two readings inside a query's filters; narrowing makes no difference here.
   *
   * @param months month numbers in which they may differ
   * @param groupAxis axis of the groups, null without
   */
  public static Corrections between(
      Ledger closed,
      Ledger restated,
      Set<Integer> months,
      StandingQuery query,
      @Nullable Axis groupAxis) {
    Map<RowKey, Line> changed = new LinkedHashMap<>();
    Span span = query.span();
    for (int month = Months.number(span.fromInclusive());
        month <= Months.number(span.toInclusive());
        month++) {
      if (months.contains(month)) {
        Map<RowKey, Place> then = new Rows(closed, query, groupAxis).in(month);
        Map<RowKey, Place> now = new Rows(restated, query, groupAxis).in(month);
        then.forEach((key, place) -> put(changed, key, place, now.get(key)));
        now.forEach(
            (key, place) -> {
              if (!then.containsKey(key)) {
                put(changed, key, null, place);
              }
            });
      }
    }
    return new Corrections(
        changed.values().stream()
            .sorted(
                Comparator.comparingInt(Line::month)
                    .thenComparingInt(Line::loadId)
                    .thenComparingInt(Line::line))
            .toList());
  }

  private static void put(
      Map<RowKey, Line> changed, RowKey key, @Nullable Place then, @Nullable Place now) {
    if (then == null || now == null || !then.equals(now)) {
      changed.put(key, new Line(key.loadId, key.line, key.month, key.rep, then, now, key.amount));
    }
  }

  /** The rows of one reading inside the filters. */
  private record Rows(Ledger ledger, StandingQuery query, @Nullable Axis groupAxis) {
    Map<RowKey, Place> in(int month) {
      RowFilter filter = new RowFilter(query.filters(), ledger.members());
      String measure = query.measure().code();
      Map<RowKey, Place> rows = new LinkedHashMap<>();
      for (ActualBlock block : ledger.blocksOf(month, month)) {
        long[] amounts = block.amounts(measure);
        if (amounts == null) {
          continue;
        }
        int end = block.firstRowFrom(month + 1);
        for (int row = block.firstRowFrom(month); row < end; row++) {
          if (amounts[row] != Amounts.NONE && filter.keeps(block, row)) {
            RowKey key = key(block, row, amounts[row], 0);
            while (rows.putIfAbsent(key, place(block, row)) != null) {
              key = key(block, row, amounts[row], key.number + 1);
            }
          }
        }
      }
      return rows;
    }

    private Place place(ActualBlock block, int row) {
      Members members = ledger.members();
      return new Place(
          groupAxis == null ? Members.NONE : RowFilter.place(block, row, groupAxis, members),
          RowFilter.place(block, row, query.axis(), members));
    }

    private static RowKey key(ActualBlock block, int row, long amount, int number) {
      return new RowKey(
          block.loadId(),
          block.line(row),
          block.month(row),
          block.rep(row),
          block.product(row),
          block.region(row),
          amount,
          number);
    }
  }

  /** All of them by month, load and line. */
  public List<Line> lines() {
    return lines;
  }

  /** The lines that concern one row, by month, load and line. */
  public List<Line> lines(Predicate<Place> isRow) {
    return lines.stream()
        .filter(line -> isIn(line.then(), isRow) || isIn(line.now(), isRow))
        .toList();
  }

  /** A row's; null where no line concerns it. */
  public @Nullable Sum of(Place row) {
    return byPlace.get(row);
  }

  /** Several rows as one: a line that only moved among them does not count. */
  public Sum of(Predicate<Place> isTaken) {
    Sum sum = Sum.NONE;
    for (Line line : lines) {
      boolean was = isIn(line.then(), isTaken);
      if (was != isIn(line.now(), isTaken)) {
        sum = sum.plus(was ? -line.amount() : line.amount());
      }
    }
    return sum;
  }

  /** Everything in scope. */
  public Sum total() {
    return of(place -> true);
  }

  private static boolean isIn(@Nullable Place place, Predicate<Place> isTaken) {
    return place != null && isTaken.test(place);
  }
}
