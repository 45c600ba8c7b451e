package zealoustarget.core.ledger.columns;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Amounts;
import zealoustarget.core.member.Axis;

/**
 * The goals of one goal set as they count: for a member, month and measure the one posted last.
 * Immutable.
 */
public final class GoalBook {
  /**
   * One goal and where it comes from.
   *
   * @param measure code
   * @param amount in the measure's smallest unit; of a range its lower end; {@link Amounts#CLEARED}
   *     takes the goal before it away
   * @param high a range's upper end; null for a single amount
   * @param line of the file
   */
  public record Cell(
      String measure,
      int month,
      int member,
      long amount,
      @Nullable Long high,
      int loadId,
      int line) {
    public Cell(String measure, int month, int member, long amount, int loadId, int line) {
      this(measure, month, member, amount, null, loadId, line);
    }

    /** The same goal with more; an overflow is an ArithmeticException. */
    public Cell plus(Cell more) {
      Long sum = high == null ? null : Long.valueOf(Math.addExact(high, more.highEnd()));
      return new Cell(
          measure, month, member, Math.addExact(amount, more.amount), sum, loadId, line);
    }

    /** The upper end; of a single amount the amount itself. */
    public long highEnd() {
      return high == null ? amount : high;
    }
  }

  private static final Comparator<Cell> BY_PLACE =
      Comparator.comparingInt(Cell::member).thenComparing(Cell::measure);

  private final String name;
  private final Axis axis;
  private final List<Cell> cells;
  private final Map<String, List<Cell>> byMeasure = new TreeMap<>();

  private final Set<String> ranges = new HashSet<>();

  private GoalBook(String name, Axis axis, List<Cell> cells) {
    this.name = name;
    this.axis = axis;
    this.cells = cells;
    cells.forEach(
        cell -> byMeasure.computeIfAbsent(cell.measure(), code -> new ArrayList<>()).add(cell));
    cells.stream().filter(cell -> cell.high() != null).forEach(c -> ranges.add(c.measure()));
  }

  /**
   * Lays the posted loads of a set over each other.
   *
   * @param cellsInPostOrder a later cell for the same measure, month and member replaces the
   *     earlier, or takes it away
   */
  public static GoalBook of(String name, Axis axis, Iterable<Cell> cellsInPostOrder) {
    Map<Integer, List<Cell>> byMonth = new TreeMap<>();
    for (Cell cell : cellsInPostOrder) {
      byMonth.computeIfAbsent(cell.month(), month -> new ArrayList<>()).add(cell);
    }
    List<Cell> cells = new ArrayList<>();
    byMonth.values().forEach(inMonth -> addLast(inMonth, cells));
    return new GoalBook(name, axis, List.copyOf(cells));
  }

  /** A month's cells by member and measure, of those for the same the last. */
  private static void addLast(List<Cell> inMonth, List<Cell> to) {
    inMonth.sort(BY_PLACE); // is stable: what was posted last is last of its place
    for (int at = 0; at < inMonth.size(); at++) {
      Cell cell = inMonth.get(at);
      boolean isLast = at + 1 == inMonth.size() || BY_PLACE.compare(cell, inMonth.get(at + 1)) != 0;
      if (isLast && cell.amount() != Amounts.CLEARED) {
        to.add(cell);
      }
    }
  }

  /** The same goals with some cells laid over them. */
  public GoalBook with(List<Cell> changed) {
    List<Cell> all = new ArrayList<>(cells);
    all.addAll(changed);
    return of(name, axis, all);
  }

  public String name() {
    return name;
  }

  /** Whose members have the goals. */
  public Axis axis() {
    return axis;
  }

  /** All goals by month, then member. */
  public List<Cell> cells() {
    return cells;
  }

  /** The goals of one month, by member. */
  public List<Cell> ofMonth(int month) {
    return cells.subList(firstFrom(cells, month), firstFrom(cells, month + 1));
  }

  /** Measures for which the set has goals, in order of code. */
  public List<String> measures() {
    return List.copyOf(byMeasure.keySet());
  }

  /** Whether the set's goals of a measure are ranges; then single amounts are ranges of one. */
  public boolean isRange(String measure) {
    return ranges.contains(measure);
  }

  /** The cells of a measure whose months lie in the range, by month. */
  public List<Cell> cells(String measure, int fromMonth, int toMonthInclusive) {
    List<Cell> all = byMeasure.getOrDefault(measure, List.of());
    return all.subList(firstFrom(all, fromMonth), firstFrom(all, toMonthInclusive + 1));
  }

  /** The goal of a measure, month and member; null where none is set. */
  public @Nullable Cell cell(String measure, int month, int member) {
    List<Cell> all = byMeasure.getOrDefault(measure, List.of());
    int low = firstFrom(all, month);
    int high = all.size();
    while (low < high) {
      int middle = (low + high) >>> 1;
      Cell cell = all.get(middle);
      if (cell.month() == month && cell.member() < member) {
        low = middle + 1;
      } else {
        high = middle;
      }
    }
    boolean isThere =
        low < all.size() && all.get(low).month() == month && all.get(low).member() == member;
    return isThere ? all.get(low) : null;
  }

  private static int firstFrom(List<Cell> cells, int month) {
    int low = 0;
    int high = cells.size();
    while (low < high) {
      int middle = (low + high) >>> 1;
      if (cells.get(middle).month() < month) {
        low = middle + 1;
      } else {
        high = middle;
      }
    }
    return low;
  }
}
