package zealoustarget.server.ledger.storage;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Set;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.intake.LoadRow;
import zealoustarget.core.ledger.columns.ActualBlock;
import zealoustarget.core.ledger.columns.OrderKey;
import zealoustarget.server.platform.storage.Packed;

/**
 * Some thousand rows of actuals, column by column. They are stored in one of two forms, told apart
 * by the first byte; a load's digest is over the bytes of its own.
 *
 * @param lines of the file, each as the distance from the one before
 * @param months numbered year × 12 + month − 1
 * @param days of the month, 0 where the file gives months
 * @param reps ids, −1 where a line names none; likewise regions and products
 * @param orders the source's keys, null where it gives none
 * @param amounts one column per measure of the load, Long.MIN_VALUE where there is none
 */
record ActualPart(
    int[] lines,
    int[] months,
    int[] days,
    int[] reps,
    int[] regions,
    int[] products,
    String[] orders,
    long[][] amounts) {
  /** Columns of rows that belong to one load. */
  static ActualPart of(List<LoadRow.Actual> rows) {
    int size = rows.size();
    int measures = rows.get(0).amounts().length;
    ActualPart part =
        new ActualPart(
            new int[size],
            new int[size],
            new int[size],
            new int[size],
            new int[size],
            new int[size],
            new String[size],
            new long[measures][size]);
    int before = 0;
    for (int at = 0; at < size; at++) {
      LoadRow.Actual row = rows.get(at);
      part.lines[at] = row.line() - before;
      before = row.line();
      part.months[at] = row.month();
      part.days[at] = row.day() == null ? 0 : row.day().getDayOfMonth();
      part.reps[at] = row.rep();
      part.regions[at] = row.region();
      part.products[at] = row.product();
      part.orders[at] = row.order();
      for (int m = 0; m < measures; m++) {
        part.amounts[m][at] = row.amounts()[m];
      }
    }
    return part;
  }

  /** The form of loads of earlier versions: CBOR of the columns. */
  static final int COLUMNS = 1;

  /** CBOR of the columns' {@link Planes}, deflated. */
  static final int PLANES = 2;

  private static final byte DEFLATED = 0x78; // no record in CBOR begins so

  /**
   * The second form.
   *
   * @param orderLengths characters of each order key, −1 where there is none
   * @param orders the keys one after the other
   */
  private record Stored(
      byte[] lines,
      byte[] months,
      byte[] days,
      byte[] reps,
      byte[] regions,
      byte[] products,
      byte[] orderLengths,
      String orders,
      byte[][] amounts) {}

  static int formOf(byte[] content) {
    return content[0] == DEFLATED ? PLANES : COLUMNS;
  }

  /** Rows of one load as they are stored now, at least one. */
  static byte[] pack(List<LoadRow.Actual> rows) {
    return of(rows).packed(PLANES);
  }

  byte[] packed(int form) {
    return form == COLUMNS ? Packed.plain(this) : Packed.deflated(stored());
  }

  private Stored stored() {
    int[] lengths = new int[orders.length];
    StringBuilder keys = new StringBuilder();
    for (int at = 0; at < orders.length; at++) {
      lengths[at] = orders[at] == null ? -1 : orders[at].length();
      keys.append(orders[at] == null ? "" : orders[at]);
    }
    return new Stored(
        Planes.of(lines),
        Planes.of(months),
        Planes.of(days),
        Planes.of(reps),
        Planes.of(regions),
        Planes.of(products),
        Planes.of(lengths),
        keys.toString(),
        Arrays.stream(amounts).map(Planes::of).toArray(byte[][]::new));
  }

  static ActualPart unpack(byte[] content) {
    if (formOf(content) == COLUMNS) {
      return Packed.fromPlain(content, ActualPart.class);
    }
    Stored stored = Packed.fromDeflated(content, Stored.class);
    int[] lengths = Planes.ints(stored.orderLengths);
    String[] orders = new String[lengths.length];
    for (int at = 0, from = 0; at < lengths.length; at++) {
      if (lengths[at] >= 0) {
        orders[at] = stored.orders.substring(from, from + lengths[at]);
        from += lengths[at];
      }
    }
    return new ActualPart(
        Planes.ints(stored.lines),
        Planes.ints(stored.months),
        Planes.ints(stored.days),
        Planes.ints(stored.reps),
        Planes.ints(stored.regions),
        Planes.ints(stored.products),
        orders,
        Arrays.stream(stored.amounts).map(Planes::longs).toArray(long[][]::new));
  }

  void addTo(ActualBlock.Builder block) {
    long[] row = new long[amounts.length];
    int line = 0;
    for (int at = 0; at < lines.length; at++) {
      line += lines[at];
      for (int m = 0; m < row.length; m++) {
        row[m] = amounts[m][at];
      }
      block.add(line, months[at], reps[at], regions[at], products[at], row);
      block.day(days[at]);
      if (orders[at] != null) {
        block.order(OrderKey.ofOrder(orders[at]));
      }
    }
  }

  /** Puts the order keys of some lines into a map by line. */
  void addOrders(Set<Integer> wanted, Map<Integer, String> found) {
    int line = 0;
    for (int at = 0; at < lines.length; at++) {
      line += lines[at];
      if (orders[at] != null && wanted.contains(line)) {
        found.put(line, orders[at]);
      }
    }
  }

  /** The rows, as they were. */
  List<LoadRow.Actual> rows() {
    List<LoadRow.Actual> rows = new ArrayList<>(lines.length);
    int line = 0;
    for (int at = 0; at < lines.length; at++) {
      line += lines[at];
      long[] row = new long[amounts.length];
      for (int m = 0; m < row.length; m++) {
        row[m] = amounts[m][at];
      }
      LocalDate day = days[at] == 0 ? null : Months.of(months[at]).atDay(days[at]);
      rows.add(
          new LoadRow.Actual(
              line, months[at], day, reps[at], regions[at], products[at], orders[at], row));
    }
    return rows;
  }
}
