package zealoustarget.core.ledger.columns;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;

/**
 * Orders with their lines, as columns: the lines of one order key and one rep are one order, a line
 * without an order key is an order of its own. Orders stand in the order of their first lines.
 */
public final class OrderBook {
  /**
   * A line of an order.
   *
   * @param month numbered year × 12 + month − 1
   * @param day of the month, 0 where the file gives months
   * @param rep id, −1 where the line names none; so is {@code product}
   * @param amount in the measure's smallest units
   */
  public record Line(int loadId, int line, int month, int day, int rep, int product, long amount) {}

  private final ActualBlock[] blocks;
  private final int[] blockOf;
  private final int[] rowOf;
  private final long[] amounts;
  private final int[] starts;
  private final long[] sums;

  private OrderBook(Builder from) {
    blocks = from.blocks.toArray(ActualBlock[]::new);
    int[] counts = new int[from.orders + 1];
    for (int line = 0; line < from.size; line++) {
      counts[from.orderOf[line] + 1]++;
    }
    Arrays.parallelPrefix(counts, Integer::sum);
    starts = counts;
    int[] next = counts.clone();
    blockOf = new int[from.size];
    rowOf = new int[from.size];
    amounts = new long[from.size];
    sums = new long[from.orders];
    for (int line = 0; line < from.size; line++) {
      int order = from.orderOf[line];
      int at = next[order]++;
      blockOf[at] = from.blockOf[line];
      rowOf[at] = from.rowOf[line];
      amounts[at] = from.amounts[line];
      sums[order] = Math.addExact(sums[order], from.amounts[line]);
    }
  }

  /** How many orders there are. */
  public int size() {
    return sums.length;
  }

  /** How many lines they have together. */
  public int lineCount() {
    return amounts.length;
  }

  /** Sum of an order's lines, smallest units. */
  public long sum(int order) {
    return sums[order];
  }

  /** The order's rep, −1 where its lines name none. */
  public int rep(int order) {
    return first(order).rep(rowOf[starts[order]]);
  }

  /** Month of the order's first line. */
  public int month(int order) {
    return first(order).month(rowOf[starts[order]]);
  }

  /** Day of the month of the order's first line, 0 where the file gives months. */
  public int day(int order) {
    return first(order).day(rowOf[starts[order]]);
  }

  /** Number of an order's lines. */
  public int lines(int order) {
    return starts[order + 1] - starts[order];
  }

  /** An order's lines, in the order of their posting. */
  public List<Line> linesOf(int order) {
    List<Line> lines = new ArrayList<>(lines(order));
    for (int at = starts[order]; at < starts[order + 1]; at++) {
      ActualBlock block = blocks[blockOf[at]];
      int row = rowOf[at];
      lines.add(
          new Line(
              block.loadId(),
              block.line(row),
              block.month(row),
              block.day(row),
              block.rep(row),
              block.product(row),
              amounts[at]));
    }
    return lines;
  }

  private ActualBlock first(int order) {
    return blocks[blockOf[starts[order]]];
  }

  /** Gathers lines, each with the order that it belongs to. */
  public static final class Builder {
    private static final int FREE = -1;

    private final List<ActualBlock> blocks = new ArrayList<>();
    private final Map<ActualBlock, Integer> places = new IdentityHashMap<>();
    private int size;
    private int orders;
    private int[] blockOf = new int[64];
    private int[] rowOf = new int[64];
    private int[] orderOf = new int[64];
    private long[] amounts = new long[64];
    private int keyed;
    private long[] keys = new long[128];
    private int[] orderAt = free(128);

    /** Adds a row with its amount in smallest units. */
    public void add(ActualBlock block, int row, long amount) {
      if (size == amounts.length) {
        blockOf = Arrays.copyOf(blockOf, size * 2);
        rowOf = Arrays.copyOf(rowOf, size * 2);
        orderOf = Arrays.copyOf(orderOf, size * 2);
        amounts = Arrays.copyOf(amounts, size * 2);
      }
      blockOf[size] =
          places.computeIfAbsent(
              block,
              added -> {
                blocks.add(added);
                return blocks.size() - 1;
              });
      rowOf[size] = row;
      amounts[size] = amount;
      orderOf[size++] = orderOf(block.order(row), block.rep(row));
    }

    public OrderBook build() {
      return new OrderBook(this);
    }

    private int orderOf(long order, int rep) {
      if (order == OrderKey.NONE) {
        return orders++;
      }
      if (keyed * 2 == keys.length) {
        grow();
      }
      long key = OrderKey.ofLine(order, rep);
      int at = place(key);
      if (orderAt[at] == FREE) {
        keys[at] = key;
        orderAt[at] = orders++;
        keyed++;
      }
      return orderAt[at];
    }

    /** Where a key is, or would be: open addressing over a power of two. */
    private int place(long key) {
      int at = (int) (key >>> 32) & (keys.length - 1);
      while (orderAt[at] != FREE && keys[at] != key) {
        at = (at + 1) & (keys.length - 1);
      }
      return at;
    }

    private void grow() {
      long[] before = keys;
      int[] known = orderAt;
      keys = new long[before.length * 2];
      orderAt = free(before.length * 2);
      for (int at = 0; at < before.length; at++) {
        if (known[at] != FREE) {
          int to = place(before[at]);
          keys[to] = before[at];
          orderAt[to] = known[at];
        }
      }
    }

    private static int[] free(int size) {
      int[] all = new int[size];
      Arrays.fill(all, FREE);
      return all;
    }
  }
}
