package zealoustarget.core.ledger;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.IntPredicate;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.member.Member;

/** Lays sealed months, as they were, over what is posted now. */
public final class Frozen {
  /**
   * Products' lines that sealed months keep.
   *
   * @param byMonth by month number, line ids (or −1) by product id; only of months that differ
   * @param lines the lines named there
   */
  public record KeptLines(Map<Integer, Map<Integer, Integer>> byMonth, List<Member> lines) {
    public static final KeptLines NONE = new KeptLines(Map.of(), List.of());

    /** Keeps its own copies. */
    public KeptLines {
      byMonth = Map.copyOf(byMonth);
      lines = List.copyOf(lines);
    }
  }

  private Frozen() {}

  /**
   * The ledger in which sealed months keep their rows, goals, places of reps and products' lines.
   *
   * @param posted as everything is posted now
   * @param sealed by month number, the ledger as it was when the month was sealed, of months that
   *     differ
   */
  public static Ledger over(Ledger posted, Map<Integer, Ledger> sealed, KeptLines lines) {
    Ledger read = sealed.isEmpty() ? posted : withMonths(posted, sealed);
    return lines.byMonth().isEmpty() ? read : read.withMembers(read.members().withLines(lines));
  }

  private static Ledger withMonths(Ledger posted, Map<Integer, Ledger> sealed) {
    List<ActualBlock> blocks = new ArrayList<>();
    Map<String, List<GoalBook.Cell>> cells = new LinkedHashMap<>();
    Map<String, GoalBook> books = new LinkedHashMap<>();
    addMonths(posted, month -> !sealed.containsKey(month), blocks, books, cells);
    Set<Ledger> distinct = new LinkedHashSet<>(sealed.values());
    for (Ledger then : distinct) {
      addMonths(then, month -> sealed.get(month) == then, blocks, books, cells);
    }
    Map<Integer, Members> places = new LinkedHashMap<>();
    sealed.forEach((month, then) -> places.put(month, then.members()));
    return new Ledger(
        posted.members().withPlaces(places),
        blocks,
        books.values().stream()
            .map(
                book ->
                    GoalBook.of(
                        book.name(), book.axis(), cells.getOrDefault(book.name(), List.of())))
            .toList());
  }

  private static void addMonths(
      Ledger ledger,
      IntPredicate isKept,
      List<ActualBlock> blocks,
      Map<String, GoalBook> books,
      Map<String, List<GoalBook.Cell>> cells) {
    for (ActualBlock block : ledger.blocks()) {
      if (block.size() > 0 && block.firstMonth() == block.lastMonth()) {
        if (isKept.test(block.firstMonth())) {
          blocks.add(block);
        }
        continue;
      }
      BitSet gone = new BitSet(block.size());
      for (int row = 0; row < block.size(); row++) {
        gone.set(row, !isKept.test(block.month(row)));
      }
      if (gone.isEmpty()) {
        blocks.add(block);
      } else if (gone.cardinality() < block.size()) {
        blocks.add(block.withoutAmounts(block.measures(), gone));
      }
    }
    for (GoalBook book : ledger.goalBooks().values()) {
      books.putIfAbsent(book.name(), book);
      List<GoalBook.Cell> kept = cells.computeIfAbsent(book.name(), name -> new ArrayList<>());
      book.cells().stream().filter(cell -> isKept.test(cell.month())).forEach(kept::add);
    }
  }

  /** Whether two ledgers have the same rows, goals and places of reps in a month. */
  public static boolean isSame(Ledger one, Ledger other, int month) {
    return goals(one, month).equals(goals(other, month))
        && places(one, month).equals(places(other, month))
        && (hasSameBlocks(one, other, month) || rows(one, month).equals(rows(other, month)));
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
          long[] column = block.amounts(block.measures().get(at));
          amounts[at] = column == null ? ActualBlock.NO_AMOUNT : column[row];
        }
        if (ActualBlock.hasAny(amounts)) {
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
              List<GoalBook.Cell> cells =
                  book.cells().stream().filter(cell -> cell.month() == month).toList();
              if (!cells.isEmpty()) {
                goals.put(name, cells);
              }
            });
    return goals;
  }

  private static Map<Integer, List<Integer>> places(Ledger ledger, int month) {
    return ledger.members().placesIn(month);
  }
}
