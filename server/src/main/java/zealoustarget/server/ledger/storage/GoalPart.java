package zealoustarget.server.ledger.storage;

import java.util.Arrays;
import java.util.List;
import java.util.function.Consumer;
import zealoustarget.core.intake.LoadRow;
import zealoustarget.server.platform.storage.Packed;

/**
 * Some thousand goals, column by column as {@link Planes}, as they are stored: CBOR, deflated.
 *
 * @param lines of the file
 * @param months numbered year × 12 + month − 1
 * @param members ids
 * @param amounts one column per measure of the load, Long.MIN_VALUE where there is none
 */
record GoalPart(byte[] lines, byte[] months, byte[] members, byte[][] amounts) {
  /** One part of rows that belong to one load, at least one. */
  static byte[] pack(List<LoadRow.Goal> rows) {
    int measures = rows.get(0).amounts().length;
    byte[][] amounts = new byte[measures][];
    for (int m = 0; m < measures; m++) {
      int measure = m;
      amounts[m] = Planes.of(rows.stream().mapToLong(row -> row.amounts()[measure]).toArray());
    }
    return Packed.deflated(
        new GoalPart(
            Planes.of(rows.stream().mapToInt(LoadRow.Goal::line).toArray()),
            Planes.of(rows.stream().mapToInt(LoadRow.Goal::month).toArray()),
            Planes.of(rows.stream().mapToInt(LoadRow.Goal::member).toArray()),
            amounts));
  }

  /** The rows of a part, in their order. */
  static void each(byte[] content, Consumer<LoadRow.Goal> to) {
    GoalPart part = Packed.fromDeflated(content, GoalPart.class);
    int[] lines = Planes.ints(part.lines);
    int[] months = Planes.ints(part.months);
    int[] members = Planes.ints(part.members);
    long[][] columns = Arrays.stream(part.amounts).map(Planes::longs).toArray(long[][]::new);
    for (int at = 0; at < lines.length; at++) {
      long[] amounts = new long[columns.length];
      for (int m = 0; m < amounts.length; m++) {
        amounts[m] = columns[m][at];
      }
      to.accept(new LoadRow.Goal(lines[at], months[at], members[at], amounts));
    }
  }

  /** All that a row says, as a digest takes it in. */
  static String text(LoadRow.Goal row) {
    return row.line()
        + ","
        + row.month()
        + ","
        + row.member()
        + ","
        + Arrays.toString(row.amounts())
        + "\n";
  }
}
