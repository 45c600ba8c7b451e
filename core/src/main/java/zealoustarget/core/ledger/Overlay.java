package zealoustarget.core.ledger;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import java.util.Optional;

/**
 * Lays loads of actuals over each other in the order of their posting.
 *
 * <p>A load that replaces or corrects takes the amounts of earlier rows out, of the measures that
 * it brings itself; taken out of the list again, it gives them back.
 */
public final class Overlay {
  /** One load's rows and how they lie over the earlier ones. */
  public record Layer(ActualBlock block, PostMode mode) {}

  private Overlay() {}

  /** The blocks as they count, one per layer and in their order. */
  public static List<ActualBlock> of(List<Layer> layersInPostOrder, Members members) {
    List<ActualBlock> counting = new ArrayList<>();
    for (Layer layer : layersInPostOrder) {
      ActualBlock block = layer.block();
      switch (layer.mode()) {
        case ADD -> {}
        case REPLACE -> {
          Scope scope = Scope.of(block, members);
          counting.replaceAll(earlier -> without(earlier, block, scope.rowsOf(earlier, members)));
        }
        case CORRECT -> {
          OrderSet orders = OrderSet.of(List.of(block));
          counting.replaceAll(earlier -> without(earlier, block, orders.rowsOf(earlier)));
        }
      }
      counting.add(block);
    }
    return counting;
  }

  /**
   * What a load would most likely mean to do, given what is posted.
   *
   * <p>Add where nothing posted lies in its scope. With order keys: add where none of its orders is
   * posted, replace where it brings at least half of the posted lines of its scope again, else
   * correct. Without them, replace.
   */
  public static PostMode proposed(ActualBlock block, Ledger ledger) {
    Scope scope = Scope.of(block, ledger.members());
    long posted =
        ledger.blocks().stream()
            .mapToLong(earlier -> counting(earlier, block, scope.rowsOf(earlier, ledger.members())))
            .sum();
    if (posted == 0) {
      return PostMode.ADD;
    }
    if (!block.hasOrders()) {
      return PostMode.REPLACE;
    }
    OrderSet orders = OrderSet.of(List.of(block));
    long again =
        ledger.blocks().stream()
            .mapToLong(earlier -> counting(earlier, block, orders.rowsOf(earlier)))
            .sum();
    if (again == 0) {
      return PostMode.ADD;
    }
    return again * 2 >= posted ? PostMode.REPLACE : PostMode.CORRECT;
  }

  private static ActualBlock without(ActualBlock earlier, ActualBlock later, BitSet rows) {
    boolean isTouched =
        !rows.isEmpty() && earlier.measures().stream().anyMatch(later.measures()::contains);
    return isTouched ? earlier.withoutAmounts(later.measures(), rows) : earlier;
  }

  /** How many of these rows still have an amount of a measure that the later block brings. */
  private static long counting(ActualBlock earlier, ActualBlock later, BitSet rows) {
    List<long[]> columns =
        later.measures().stream()
            .map(code -> Optional.ofNullable(earlier.amounts(code)))
            .flatMap(Optional::stream)
            .toList();
    return rows.stream()
        .filter(row -> columns.stream().anyMatch(c -> c[row] != ActualBlock.NO_AMOUNT))
        .count();
  }
}
