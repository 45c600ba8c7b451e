package zealoustarget.core.ledger;

import java.util.BitSet;
import java.util.Collection;

/** A set of {@link OrderKey}s: eight bytes a place, no objects. Not changed once built. */
public final class OrderSet {
  private final long[] places;

  private OrderSet(int capacity) {
    places = new long[Integer.highestOneBit(Math.max(capacity, 8)) * 4];
  }

  /** The keys of all rows that have one. */
  public static OrderSet of(Collection<ActualBlock> blocks) {
    OrderSet set =
        new OrderSet(
            blocks.stream().filter(ActualBlock::hasOrders).mapToInt(ActualBlock::size).sum());
    for (ActualBlock block : blocks) {
      for (int row = 0; block.hasOrders() && row < block.size(); row++) {
        if (block.orderLine(row) != OrderKey.NONE && block.hasAmount(row)) {
          set.add(block.orderLine(row));
        }
      }
    }
    return set;
  }

  /** Whether a row with that key was among them; never for {@link OrderKey#NONE}. */
  public boolean contains(long key) {
    return key != OrderKey.NONE && places[find(key)] == key;
  }

  /** Places of the rows whose order and product stand in this set. */
  BitSet rowsOf(ActualBlock block) {
    BitSet rows = new BitSet();
    for (int row = 0; block.hasOrders() && row < block.size(); row++) {
      if (contains(block.orderLine(row))) {
        rows.set(row);
      }
    }
    return rows;
  }

  private void add(long key) {
    places[find(key)] = key;
  }

  private int find(long key) {
    int at = (int) (key >>> 32) & (places.length - 1);
    while (places[at] != OrderKey.NONE && places[at] != key) {
      at = (at + 1) & (places.length - 1);
    }
    return at;
  }
}
