package zealoustarget.core.ledger.columns;

import java.util.BitSet;
import java.util.Collection;

/** A set of {@link OrderKey}s: eight bytes a place, no objects. */
public final class OrderSet {
  private static final int LEAST = 32;
  private long[] places = new long[LEAST];
  private int size;

  /** The keys of all rows that have one. */
  public static OrderSet of(Collection<ActualBlock> blocks) {
    OrderSet set = new OrderSet();
    blocks.forEach(set::addAll);
    return set;
  }

  /**
   * The keys of rows whose order is among some, which takes no more room than these.
   *
   * @param orders of which each was added by {@link #addOrder}
   */
  public static OrderSet among(OrderSet orders, Collection<ActualBlock> blocks) {
    OrderSet set = new OrderSet();
    for (ActualBlock block : blocks) {
      for (int row = 0; block.hasOrders() && row < block.size(); row++) {
        if (orders.contains(block.order(row)) && block.hasAmount(row)) {
          set.makeRoomFor(set.size + 1);
          set.add(block.orderLine(row));
        }
      }
    }
    return set;
  }

  /** Adds a whole order by its key, whatever its products; nothing where the text is empty. */
  public void addOrder(String order) {
    long key = OrderKey.ofOrder(order);
    if (key != OrderKey.NONE) {
      makeRoomFor(size + 1);
      add(key);
    }
  }

  /** Adds the keys of all rows of a block that have one. */
  public void addAll(ActualBlock block) {
    if (!block.hasOrders()) {
      return;
    }
    makeRoomFor(size + block.size());
    for (int row = 0; row < block.size(); row++) {
      if (block.orderLine(row) != OrderKey.NONE && block.hasAmount(row)) {
        add(block.orderLine(row));
      }
    }
  }

  /** At most half of the places are taken, so that a search ends soon. */
  private void makeRoomFor(int keys) {
    int wanted = Integer.highestOneBit(Math.max(keys, LEAST / 4)) * 4;
    if (wanted > places.length) {
      long[] before = places;
      places = new long[wanted];
      size = 0;
      for (long key : before) {
        if (key != OrderKey.NONE) {
          add(key);
        }
      }
    }
  }

  /** Whether a row with that key was among them; never for {@link OrderKey#NONE}. */
  public boolean contains(long key) {
    return key != OrderKey.NONE && places[find(key)] == key;
  }

  /** Places of the rows whose order and product stand in this set. */
  public BitSet rowsOf(ActualBlock block) {
    BitSet rows = new BitSet();
    for (int row = 0; block.hasOrders() && row < block.size(); row++) {
      if (contains(block.orderLine(row))) {
        rows.set(row);
      }
    }
    return rows;
  }

  private void add(long key) {
    int at = find(key);
    size += places[at] == OrderKey.NONE ? 1 : 0;
    places[at] = key;
  }

  private int find(long key) {
    int at = (int) (key >>> 32) & (places.length - 1);
    while (places[at] != OrderKey.NONE && places[at] != key) {
      at = (at + 1) & (places.length - 1);
    }
    return at;
  }
}
