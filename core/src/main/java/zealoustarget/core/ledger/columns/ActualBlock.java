package zealoustarget.core.ledger.columns;

import java.math.BigInteger;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Collection;
import java.util.List;
import java.util.Set;
import java.util.function.IntPredicate;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Amounts;

/**
 * The posted rows of one load of actuals, as columns ordered by month. Immutable once built.
 *
 * <p>Months are numbered year × 12 + month − 1. A member that a line does not name is −1, an amount
 * that a line does not have is {@link Amounts#NONE}.
 */
public final class ActualBlock {
  private final int loadId;
  private final List<String> measures;
  private final int[] months;
  private final int[] reps;
  private final int[] regions;
  private final int[] products;
  private final int[] lines;
  private final byte[] days;
  private final long[] orders;
  private final long[][] amounts;
  private final BigInteger[] absoluteSums;
  private final int lastDay;

  private ActualBlock(Builder from) {
    loadId = from.loadId;
    measures = from.measures;
    int[] order = from.byMonth();
    months = pick(from.months, order);
    reps = pick(from.reps, order);
    regions = pick(from.regions, order);
    products = pick(from.products, order);
    lines = pick(from.lines, order);
    days = pick(from.days, order);
    orders = from.hasOrders ? pick(from.orders, order) : new long[0];
    boolean isDated =
        months.length > 0 && from.isDated && from.datedMonth == months[months.length - 1];
    lastDay = isDated ? from.lastDay : 0;
    amounts = new long[measures.size()][];
    for (int m = 0; m < amounts.length; m++) {
      amounts[m] = pick(from.amounts[m], order);
    }
    absoluteSums = Arrays.stream(amounts).map(ActualBlock::absoluteSum).toArray(BigInteger[]::new);
  }

  private ActualBlock(ActualBlock from, long[][] amounts) {
    loadId = from.loadId;
    measures = from.measures;
    months = from.months;
    reps = from.reps;
    regions = from.regions;
    products = from.products;
    lines = from.lines;
    days = from.days;
    orders = from.orders;
    lastDay = from.lastDay;
    this.amounts = amounts;
    absoluteSums = Arrays.stream(amounts).map(ActualBlock::absoluteSum).toArray(BigInteger[]::new);
  }

  private ActualBlock(ActualBlock from, int[] rows) {
    this(from, rows, endsAlike(from, rows) ? from.lastDay : 0);
  }

  private static boolean endsAlike(ActualBlock from, int[] rows) {
    return rows.length > 0 && from.months[rows[rows.length - 1]] == from.lastMonth();
  }

  private ActualBlock(ActualBlock from, int[] rows, int lastDay) {
    loadId = from.loadId;
    measures = from.measures;
    months = pick(from.months, rows);
    reps = pick(from.reps, rows);
    regions = pick(from.regions, rows);
    products = pick(from.products, rows);
    lines = pick(from.lines, rows);
    days = pick(from.days, rows);
    orders = from.hasOrders() ? pick(from.orders, rows) : new long[0];
    this.lastDay = lastDay;
    amounts = Arrays.stream(from.amounts).map(all -> pick(all, rows)).toArray(long[][]::new);
    absoluteSums = Arrays.stream(amounts).map(ActualBlock::absoluteSum).toArray(BigInteger[]::new);
  }

  /** The block of some rows only; the day up to which its last month is posted stays. */
  public ActualBlock only(IntPredicate isKept) {
    return new ActualBlock(this, IntStream.range(0, size()).filter(isKept).toArray());
  }

  /**
   * The block without the amounts of some rows, as where a later load replaces them; everything
   * else is shared.
   *
   * @param codes measures whose amounts fall away
   */
  public ActualBlock withoutAmounts(Collection<String> codes, BitSet rows) {
    long[][] kept = amounts.clone();
    for (int m = 0; m < kept.length; m++) {
      if (codes.contains(measures.get(m))) {
        long[] column = kept[m].clone();
        rows.stream().forEach(row -> column[row] = Amounts.NONE);
        kept[m] = column;
      }
    }
    return new ActualBlock(this, kept);
  }

  public int loadId() {
    return loadId;
  }

  public int size() {
    return months.length;
  }

  /** Codes of the measures that the load brought. */
  public List<String> measures() {
    return measures;
  }

  /** Distinct regions that rows name themselves. */
  public Set<Integer> ownRegions() {
    return distinct(regions).boxed().collect(Collectors.toSet());
  }

  /** Distinct reps that rows name. */
  public IntStream namedReps() {
    return distinct(reps);
  }

  /** Distinct products that rows name. */
  public IntStream namedProducts() {
    return distinct(products);
  }

  /** Sum of the absolute amounts of a measure, smallest units; 0 where the load has none. */
  public BigInteger absoluteSum(String measure) {
    int at = measures.indexOf(measure);
    return at < 0 ? BigInteger.ZERO : absoluteSums[at];
  }

  private static BigInteger absoluteSum(long[] column) {
    BigInteger sum = BigInteger.ZERO;
    long part = 0;
    for (long amount : column) {
      if (amount != Amounts.NONE) {
        long size = Math.abs(amount);
        if (part > Long.MAX_VALUE - size) {
          sum = sum.add(BigInteger.valueOf(part));
          part = 0;
        }
        part += size;
      }
    }
    return sum.add(BigInteger.valueOf(part));
  }

  /**
   * The same rows in a block per month, ascending: what one month's rows become can then be told
   * without looking at the others.
   */
  public List<ActualBlock> byMonth() {
    if (size() == 0 || firstMonth() == lastMonth()) {
      return size() == 0 ? List.of() : List.of(this);
    }
    return monthsWithRows().mapToObj(this::ofMonth).toList();
  }

  private ActualBlock ofMonth(int month) {
    int first = firstRowFrom(month);
    int end = firstRowFrom(month + 1);
    return new ActualBlock(this, IntStream.range(first, end).toArray(), dayOf(first, end));
  }

  private int dayOf(int first, int end) {
    int latest = 0;
    for (int row = first; row < end; row++) {
      if (days[row] == 0) {
        return 0;
      }
      latest = Math.max(latest, days[row]);
    }
    return latest;
  }

  /** The months that have rows, by number, ascending. */
  public IntStream monthsWithRows() {
    IntStream.Builder found = IntStream.builder();
    for (int row = 0; row < months.length; row = firstRowFrom(months[row] + 1)) {
      found.add(months[row]);
    }
    return found.build();
  }

  private static IntStream distinct(int[] column) {
    BitSet seen = new BitSet();
    for (int id : column) {
      if (id >= 0) {
        seen.set(id);
      }
    }
    return seen.stream();
  }

  /** The first month of a block that has rows. */
  public int firstMonth() {
    return months[0];
  }

  public int lastMonth() {
    return months[months.length - 1];
  }

  /** The latest day of the last month, 0 unless every row of that month has a day. */
  public int lastDay() {
    return lastDay;
  }

  public int month(int row) {
    return months[row];
  }

  public int rep(int row) {
    return reps[row];
  }

  public int region(int row) {
    return regions[row];
  }

  public int product(int row) {
    return products[row];
  }

  public int line(int row) {
    return lines[row];
  }

  /** Whether any row carries the source's order key. */
  public boolean hasOrders() {
    return orders.length > 0;
  }

  /** The key of the row's order; {@link OrderKey#NONE} where it has none. */
  public long order(int row) {
    return orders.length == 0 ? OrderKey.NONE : orders[row];
  }

  /** The key of the row's order and product; {@link OrderKey#NONE} where it has none. */
  long orderLine(int row) {
    return OrderKey.ofLine(order(row), products[row]);
  }

  /** The row's day of the month, 0 where it has none. */
  int day(int row) {
    return days[row];
  }

  /** A row's amount of a measure, {@link Amounts#NONE} where it has none. */
  public long amount(String measure, int row) {
    long[] column = amounts(measure);
    return column == null ? Amounts.NONE : column[row];
  }

  /** Whether the row still has an amount of any measure. */
  public boolean hasAmount(int row) {
    for (long[] column : amounts) {
      if (column[row] != Amounts.NONE) {
        return true;
      }
    }
    return false;
  }

  /** The column of a measure, or null where the load has none. */
  public long @Nullable [] amounts(String measure) {
    int at = measures.indexOf(measure);
    return at < 0 ? null : amounts[at];
  }

  /** Whether any row lies in a month. */
  public boolean hasMonth(int month) {
    return firstRowFrom(month) < firstRowFrom(month + 1);
  }

  /** First row whose month is not before {@code month}. */
  public int firstRowFrom(int month) {
    int low = 0;
    int high = months.length;
    while (low < high) {
      int middle = (low + high) >>> 1;
      if (months[middle] < month) {
        low = middle + 1;
      } else {
        high = middle;
      }
    }
    return low;
  }

  private static int[] pick(int[] column, int[] order) {
    int[] picked = new int[order.length];
    for (int i = 0; i < order.length; i++) {
      picked[i] = column[order[i]];
    }
    return picked;
  }

  private static byte[] pick(byte[] column, int[] order) {
    byte[] picked = new byte[order.length];
    for (int i = 0; i < order.length; i++) {
      picked[i] = column[order[i]];
    }
    return picked;
  }

  private static long[] pick(long[] column, int[] order) {
    long[] picked = new long[order.length];
    for (int i = 0; i < order.length; i++) {
      picked[i] = column[order[i]];
    }
    return picked;
  }

  /** Gathers rows in any order. */
  public static final class Builder {
    private final int loadId;
    private final List<String> measures;
    private int size;
    private int[] months = new int[256];
    private int[] reps = new int[256];
    private int[] regions = new int[256];
    private int[] products = new int[256];
    private int[] lines = new int[256];
    private byte[] days = new byte[256];
    private long[] orders = new long[256];
    private boolean hasOrders;
    private int datedMonth = Integer.MIN_VALUE;
    private int lastDay;
    private boolean isDated;
    private final long[][] amounts;

    /** Begins a block of a load with one amount column per measure code. */
    public Builder(int loadId, List<String> measures) {
      this.loadId = loadId;
      this.measures = List.copyOf(measures);
      this.amounts = new long[measures.size()][256];
    }

    /** Adds one row; {@code rowAmounts} has one amount per measure, in their order. */
    public Builder add(int line, int month, int rep, int region, int product, long... rowAmounts) {
      if (rowAmounts.length != amounts.length) {
        throw new IllegalArgumentException(
            "a row needs " + amounts.length + " amounts, was " + rowAmounts.length);
      }
      if (size == months.length) {
        grow();
      }
      lines[size] = line;
      months[size] = month;
      reps[size] = rep;
      regions[size] = region;
      products[size] = product;
      for (int m = 0; m < rowAmounts.length; m++) {
        amounts[m][size] = rowAmounts[m];
      }
      size++;
      return this;
    }

    /** Gives the row added last the key of its order. */
    public Builder order(long key) {
      orders[size - 1] = key;
      hasOrders |= key != OrderKey.NONE;
      return this;
    }

    /** Says the day of the row added last, 0 where it has none. */
    public Builder day(int dayOfMonth) {
      days[size - 1] = (byte) dayOfMonth;
      int month = months[size - 1];
      if (month > datedMonth) {
        datedMonth = month;
        lastDay = dayOfMonth;
        isDated = dayOfMonth > 0;
      } else if (month == datedMonth) {
        lastDay = Math.max(lastDay, dayOfMonth);
        isDated &= dayOfMonth > 0;
      }
      return this;
    }

    public ActualBlock build() {
      return new ActualBlock(this);
    }

    private void grow() {
      int larger = size * 2;
      months = Arrays.copyOf(months, larger);
      reps = Arrays.copyOf(reps, larger);
      regions = Arrays.copyOf(regions, larger);
      products = Arrays.copyOf(products, larger);
      lines = Arrays.copyOf(lines, larger);
      days = Arrays.copyOf(days, larger);
      orders = Arrays.copyOf(orders, larger);
      for (int m = 0; m < amounts.length; m++) {
        amounts[m] = Arrays.copyOf(amounts[m], larger);
      }
    }

    /** Row places ordered by month, in their first order within a month: a counting sort. */
    private int[] byMonth() {
      int first = Arrays.stream(months, 0, size).min().orElse(0);
      int last = Arrays.stream(months, 0, size).max().orElse(0);
      int[] next = new int[last - first + 2];
      for (int row = 0; row < size; row++) {
        next[months[row] - first + 1]++;
      }
      Arrays.parallelPrefix(next, Integer::sum);
      int[] order = new int[size];
      for (int row = 0; row < size; row++) {
        order[next[months[row] - first]++] = row;
      }
      return order;
    }
  }
}
