package zealoustarget.server.ledger;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import zealoustarget.core.intake.Row;
import zealoustarget.core.ledger.ActualBlock;
import zealoustarget.core.ledger.Months;
import zealoustarget.core.ledger.OrderKey;
import zealoustarget.server.platform.Packed;

/**
 * Some thousand rows of actuals, column by column, as they are stored.
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
  /** Rows of one part. */
  static final int SIZE = 4_096;

  /** Columns of rows that belong to one load. */
  static ActualPart of(List<Row.Actual> rows) {
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
      Row.Actual row = rows.get(at);
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

  byte[] packed() {
    return Packed.plain(this);
  }

  static ActualPart unpack(byte[] content) {
    return Packed.fromPlain(content, ActualPart.class);
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
  List<Row.Actual> rows() {
    List<Row.Actual> rows = new ArrayList<>(lines.length);
    int line = 0;
    for (int at = 0; at < lines.length; at++) {
      line += lines[at];
      long[] row = new long[amounts.length];
      for (int m = 0; m < row.length; m++) {
        row[m] = amounts[m][at];
      }
      LocalDate day = days[at] == 0 ? null : Months.of(months[at]).atDay(days[at]);
      rows.add(
          new Row.Actual(
              line, months[at], day, reps[at], regions[at], products[at], orders[at], row));
    }
    return rows;
  }

  /** Gathers rows until a part is full. */
  static final class Gatherer {
    private final List<Row.Actual> rows = new ArrayList<>(SIZE);

    boolean add(Row.Actual row) {
      rows.add(row);
      return rows.size() == SIZE;
    }

    boolean isEmpty() {
      return rows.isEmpty();
    }

    int size() {
      return rows.size();
    }

    byte[] take() {
      byte[] packed = ActualPart.of(rows).packed();
      rows.clear();
      return packed;
    }
  }
}
