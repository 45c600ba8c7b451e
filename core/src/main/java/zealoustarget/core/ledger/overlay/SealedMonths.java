package zealoustarget.core.ledger.overlay;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.IntPredicate;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Amounts;
import zealoustarget.core.ledger.Ledger;
import zealoustarget.core.ledger.columns.ActualBlock;
import zealoustarget.core.ledger.columns.GoalBook;
import zealoustarget.core.ledger.columns.LinesOfMonths;
import zealoustarget.core.ledger.columns.Members;

/** Lays sealed months, as they were, over what is posted now. */
public final class SealedMonths {
  private static final long WEIGHT = 0x9e3779b97f4a7c15L;

  private SealedMonths() {}

  /**
   * The ledger in which sealed months keep their rows, goals, places of reps and products' lines.
   *
   * @param posted as everything is posted now
   * @param sealed by month number, the ledger as it was when the month was sealed, of months that
   *     differ
   */
  public static Ledger over(Ledger posted, Map<Integer, Ledger> sealed, LinesOfMonths lines) {
    Ledger read = sealed.isEmpty() ? posted : withMonths(posted, sealed);
    return lines.byMonth().isEmpty() ? read : read.withMembers(read.members().withLines(lines));
  }

  private static Ledger withMonths(Ledger posted, Map<Integer, Ledger> sealed) {
    List<ActualBlock> blocks = new ArrayList<>();
    addRows(posted, month -> !sealed.containsKey(month), blocks);
    Set<Ledger> distinct = new LinkedHashSet<>(sealed.values());
    Members members = posted.members();
    for (Ledger then : distinct) {
      addRows(then, month -> sealed.get(month) == then, blocks);
      members = members.knowing(then.members());
    }
    Map<Integer, Members> moved = new LinkedHashMap<>();
    for (Map.Entry<Integer, Ledger> month : sealed.entrySet()) {
      if (!members.hasPlacesOf(month.getValue().members(), month.getKey())) {
        moved.put(month.getKey(), month.getValue().members());
      }
    }
    return new Ledger(
        moved.isEmpty() ? members : members.withPlaces(moved), blocks, goals(posted, sealed));
  }

  private static void addRows(Ledger ledger, IntPredicate isKept, List<ActualBlock> blocks) {
    ledger.blocks().stream()
        .flatMap(block -> block.byMonth().stream())
        .filter(block -> isKept.test(block.firstMonth()))
        .forEach(blocks::add);
  }

  /** Sets that do not differ in a sealed month stay as they are. */
  private static List<GoalBook> goals(Ledger posted, Map<Integer, Ledger> sealed) {
    Map<String, GoalBook> books = new LinkedHashMap<>(posted.goalBooks());
    sealed.values().forEach(then -> then.goalBooks().forEach(books::putIfAbsent));
    List<GoalBook> kept = new ArrayList<>();
    books.forEach(
        (name, book) -> {
          boolean isSame =
              sealed.entrySet().stream()
                  .allMatch(
                      month ->
                          ofMonth(posted, name, month.getKey())
                              .equals(ofMonth(month.getValue(), name, month.getKey())));
          kept.add(isSame ? book : withMonths(book, posted, sealed));
        });
    return kept;
  }

  private static GoalBook withMonths(GoalBook book, Ledger posted, Map<Integer, Ledger> sealed) {
    List<GoalBook.Cell> cells = new ArrayList<>();
    GoalBook now = posted.goalBooks().get(book.name());
    if (now != null) {
      now.cells().stream().filter(cell -> !sealed.containsKey(cell.month())).forEach(cells::add);
    }
    sealed.forEach((month, then) -> cells.addAll(ofMonth(then, book.name(), month)));
    return GoalBook.of(book.name(), book.axis(), cells);
  }

  private static List<GoalBook.Cell> ofMonth(Ledger ledger, String set, int month) {
    GoalBook book = ledger.goalBooks().get(set);
    return book == null ? List.of() : book.ofMonth(month);
  }

  /** Whether two ledgers have the same rows, goals and places of reps in a month. */
  public static boolean isSame(Ledger one, Ledger other, int month) {
    return goals(one, month).equals(goals(other, month))
        && one.members().hasPlacesOf(other.members(), month)
        && (hasSameBlocks(one, other, month)
            || weight(one, month) == weight(other, month)
                && rows(one, month).equals(rows(other, month)));
  }

  /** A number that is the same where the rows are; mostly another where they are not. */
  private static long weight(Ledger ledger, int month) {
    long weight = 0;
    for (ActualBlock block : ledger.blocks()) {
      int end = block.firstRowFrom(month + 1);
      for (int row = block.firstRowFrom(month); row < end; row++) {
        if (block.hasAmount(row)) {
          long of = (long) block.loadId() << Integer.SIZE | block.line(row);
          for (String measure : block.measures()) {
            of = of * WEIGHT + block.amount(measure, row);
          }
          weight += of * WEIGHT;
        }
      }
    }
    return weight;
  }

  /** Whether a month's rows are the same block by block; so they mostly are, and it is quick. */
  private static boolean hasSameBlocks(Ledger one, Ledger other, int month) {
    List<ActualBlock> blocks = blocksOf(one, month);
    List<ActualBlock> others = blocksOf(other, month);
    return blocks.size() == others.size()
        && IntStream.range(0, blocks.size())
            .allMatch(at -> isSameBlock(blocks.get(at), others.get(at), month));
  }

  private static List<ActualBlock> blocksOf(Ledger ledger, int month) {
    return ledger.blocks().stream().filter(block -> block.hasMonth(month)).toList();
  }

  private static boolean isSameBlock(ActualBlock one, ActualBlock other, int month) {
    if (one == other) {
      return true;
    }
    int from = one.firstRowFrom(month);
    int to = one.firstRowFrom(month + 1);
    return one.loadId() == other.loadId()
        && one.size() == other.size()
        && one.measures().equals(other.measures())
        && from == other.firstRowFrom(month)
        && to == other.firstRowFrom(month + 1)
        && one.measures().stream()
            .allMatch(measure -> isSame(one.amounts(measure), other.amounts(measure), from, to));
  }

  private static boolean isSame(long @Nullable [] one, long @Nullable [] other, int from, int to) {
    return one != null && other != null && Arrays.equals(one, from, to, other, from, to);
  }

  private static Map<List<Integer>, String> rows(Ledger ledger, int month) {
    Map<List<Integer>, String> rows = new LinkedHashMap<>();
    for (ActualBlock block : ledger.blocks()) {
      int end = block.firstRowFrom(month + 1);
      for (int row = block.firstRowFrom(month); row < end; row++) {
        long[] amounts = new long[block.measures().size()];
        for (int at = 0; at < amounts.length; at++) {
          amounts[at] = block.amount(block.measures().get(at), row);
        }
        if (Amounts.hasAny(amounts)) {
          // a wide file has several rows of a month in one line
          rows.merge(
              List.of(block.loadId(), block.line(row)), Arrays.toString(amounts), String::concat);
        }
      }
    }
    return rows;
  }

  private static Map<String, List<GoalBook.Cell>> goals(Ledger ledger, int month) {
    Map<String, List<GoalBook.Cell>> goals = new LinkedHashMap<>();
    ledger
        .goalBooks()
        .forEach(
            (name, book) -> {
              List<GoalBook.Cell> cells = book.ofMonth(month);
              if (!cells.isEmpty()) {
                goals.put(name, cells);
              }
            });
    return goals;
  }
}
