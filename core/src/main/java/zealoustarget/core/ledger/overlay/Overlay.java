package zealoustarget.core.ledger.overlay;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.IntPredicate;
import zealoustarget.core.amount.Amounts;
import zealoustarget.core.ledger.Ledger;
import zealoustarget.core.ledger.columns.ActualBlock;
import zealoustarget.core.ledger.columns.Members;
import zealoustarget.core.ledger.columns.OrderSet;
import zealoustarget.core.ledger.columns.PostMode;

/**
 * Lays loads of actuals over each other in the order of their posting.
 *
 * <p>A load that replaces or corrects takes the amounts of earlier rows out, of the measures that
 * it brings itself; taken out of the list again, it gives them back.
 */
public final class Overlay {
  /**
   * One load's rows and how they lie over the earlier ones.
   *
   * @param blocks with the same measures, such as one per month
   */
  public record Layer(List<ActualBlock> blocks, PostMode mode) {
    public Layer {
      blocks = List.copyOf(blocks);
    }

    private List<String> measures() {
      return blocks.isEmpty() ? List.of() : blocks.get(0).measures();
    }
  }

  private Overlay() {}

  /**
   * The blocks as they count, in the order of their layers; one pass over the rows, however many
   * layers there are.
   */
  public static List<ActualBlock> of(List<Layer> layersInPostOrder, Members members) {
    return of(layersInPostOrder, members, month -> true);
  }

  /** The same of blocks whose first month is wanted only. */
  public static List<ActualBlock> of(
      List<Layer> layersInPostOrder, Members members, IntPredicate isWanted) {
    Deque<ActualBlock> counting = new ArrayDeque<>();
    Map<List<String>, OrderSet> corrected = new HashMap<>();
    List<Replaced> replaced = new ArrayList<>();
    for (int at = layersInPostOrder.size() - 1; at >= 0; at--) { // over a block lies what is later
      Layer layer = layersInPostOrder.get(at);
      for (int place = layer.blocks.size() - 1; place >= 0; place--) {
        ActualBlock block = layer.blocks.get(place);
        if (block.size() == 0 || isWanted.test(block.firstMonth())) {
          counting.addFirst(left(block, corrected, replaced, members));
        }
      }
      if (layer.mode() == PostMode.CORRECT) {
        OrderSet orders = corrected.computeIfAbsent(layer.measures(), some -> new OrderSet());
        layer.blocks.forEach(orders::addAll);
      } else if (layer.mode() == PostMode.REPLACE) {
        replaced.add(new Replaced(layer.measures(), LoadScope.of(layer.blocks, members)));
      }
    }
    return List.copyOf(counting);
  }

  private static ActualBlock left(
      ActualBlock block,
      Map<List<String>, OrderSet> corrected,
      List<Replaced> replaced,
      Members members) {
    ActualBlock left = block;
    for (Map.Entry<List<String>, OrderSet> orders : corrected.entrySet()) {
      if (shares(block, orders.getKey())) {
        left = without(left, orders.getKey(), orders.getValue().rowsOf(block));
      }
    }
    for (Replaced scope : replaced) {
      if (shares(block, scope.measures)) {
        left = without(left, scope.measures, scope.scope.rowsOf(block, members));
      }
    }
    return left;
  }

  private record Replaced(List<String> measures, LoadScope scope) {}

  /**
   * The same with one more layer on top, which leaves the blocks alone that it does not touch.
   *
   * @param counting the blocks as they count, with the same places of members
   */
  public static List<ActualBlock> onTop(List<ActualBlock> counting, Layer layer, Members members) {
    List<ActualBlock> after = new ArrayList<>(counting.size() + layer.blocks.size());
    Function<ActualBlock, BitSet> taken =
        switch (layer.mode()) {
          case ADD -> block -> new BitSet();
          case REPLACE -> {
            LoadScope scope = LoadScope.of(layer.blocks, members);
            yield block -> scope.rowsOf(block, members);
          }
          case CORRECT -> OrderSet.of(layer.blocks)::rowsOf;
        };
    for (ActualBlock earlier : counting) {
      after.add(
          shares(earlier, layer.measures())
              ? without(earlier, layer.measures(), taken.apply(earlier))
              : earlier);
    }
    after.addAll(layer.blocks);
    return after;
  }

  /**
   * What a load would most likely mean to do, given what is posted.
   *
   * <p>Add where nothing posted lies in its scope. With order keys: add where none of its orders is
   * posted, replace where it brings at least half of the posted lines of its scope again, else
   * correct. Without them, replace.
   */
  public static PostMode proposed(List<ActualBlock> blocks, Ledger ledger) {
    LoadScope scope = LoadScope.of(blocks, ledger.members());
    List<String> measures = blocks.isEmpty() ? List.of() : blocks.get(0).measures();
    long posted =
        ledger.blocks().stream()
            .mapToLong(
                earlier -> counting(earlier, measures, scope.rowsOf(earlier, ledger.members())))
            .sum();
    if (posted == 0) {
      return PostMode.ADD;
    }
    if (blocks.stream().noneMatch(ActualBlock::hasOrders)) {
      return PostMode.REPLACE;
    }
    OrderSet orders = OrderSet.of(blocks);
    long again =
        ledger.blocks().stream()
            .mapToLong(earlier -> counting(earlier, measures, orders.rowsOf(earlier)))
            .sum();
    if (again == 0) {
      return PostMode.ADD;
    }
    return again * 2 >= posted ? PostMode.REPLACE : PostMode.CORRECT;
  }

  private static boolean shares(ActualBlock earlier, List<String> measures) {
    return earlier.measures().stream().anyMatch(measures::contains);
  }

  private static ActualBlock without(ActualBlock earlier, List<String> measures, BitSet rows) {
    return rows.isEmpty() ? earlier : earlier.withoutAmounts(measures, rows);
  }

  /** How many of these rows still have an amount of one of these measures. */
  private static long counting(ActualBlock earlier, List<String> measures, BitSet rows) {
    List<long[]> columns =
        measures.stream()
            .map(code -> Optional.ofNullable(earlier.amounts(code)))
            .flatMap(Optional::stream)
            .toList();
    return rows.stream()
        .filter(row -> columns.stream().anyMatch(c -> c[row] != Amounts.NONE))
        .count();
  }
}
