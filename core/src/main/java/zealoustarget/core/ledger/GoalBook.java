package zealoustarget.core.ledger;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import zealoustarget.core.member.Axis;

/**
 * The goals of one goal set as they count: for a member, month and measure the one posted last.
 * Immutable.
 *
 * @param name the goal set's name
 * @param axis whose members have the goals
 * @param cells by month, then member
 */
public record GoalBook(String name, Axis axis, List<Cell> cells) {
  /**
   * One goal and where it comes from.
   *
   * @param measure code
   * @param amount in the measure's smallest unit
   * @param line of the file
   */
  public record Cell(String measure, int month, int member, long amount, int loadId, int line) {
    /** The same goal with more; an overflow is an ArithmeticException. */
    public Cell plus(long more) {
      return new Cell(measure, month, member, Math.addExact(amount, more), loadId, line);
    }
  }

  private record Place(String measure, int month, int member) {}

  /**
   * Lays the posted loads of a set over each other.
   *
   * @param cellsInPostOrder a later cell for the same measure, month and member replaces the
   *     earlier
   */
  public static GoalBook of(String name, Axis axis, Iterable<Cell> cellsInPostOrder) {
    Map<Place, Cell> last = new HashMap<>();
    for (Cell cell : cellsInPostOrder) {
      last.put(new Place(cell.measure(), cell.month(), cell.member()), cell);
    }
    List<Cell> cells = new ArrayList<>(last.values());
    cells.sort(
        Comparator.comparingInt(Cell::month)
            .thenComparingInt(Cell::member)
            .thenComparing(Cell::measure));
    return new GoalBook(name, axis, List.copyOf(cells));
  }

  /** Measures for which the set has goals, in order of code. */
  public List<String> measures() {
    return cells.stream().map(Cell::measure).distinct().sorted().toList();
  }

  /** The cells of a measure whose months lie in the range, by month. */
  List<Cell> cells(String measure, int fromMonth, int toMonthInclusive) {
    return cells.stream()
        .filter(cell -> cell.month() >= fromMonth && cell.month() <= toMonthInclusive)
        .filter(cell -> cell.measure().equals(measure))
        .toList();
  }
}
