package zealoustarget.server.ledger.storage;

import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.flywaydb.core.api.migration.BaseJavaMigration;
import org.flywaydb.core.api.migration.Context;
import org.springframework.stereotype.Component;
import tools.jackson.dataformat.cbor.CBORMapper;

/**
 * Moves actuals from one database row a line into parts of 4,096 rows, column by column in CBOR;
 * docs/decisions/0006. What it writes is the form of that version and calls nothing that may
 * change.
 */
@Component
class V3__ActualsInParts extends BaseJavaMigration {
  private static final int SIZE = 4_096;
  private static final int ROWS_OF_A_LOAD = Integer.SIZE; // bits of a part's number
  private static final CBORMapper CBOR = new CBORMapper();

  /** A part as it was stored then; lines are distances from the line before. */
  record Part(
      int[] lines,
      int[] months,
      int[] days,
      int[] reps,
      int[] regions,
      int[] products,
      String[] orders,
      long[][] amounts) {}

  private record Row(
      int load,
      int line,
      int month,
      int day,
      int rep,
      int region,
      int product,
      String order,
      Object[] amounts) {}

  @Override
  public void migrate(Context context) throws SQLException {
    Connection connection = context.getConnection();
    try (Statement read = connection.createStatement();
        ResultSet rows =
            read.executeQuery(
                "select load_id, line, booking_month, booking_day, rep_id, region_id, product_id,"
                    + " order_key, amounts from actual_row order by id")) {
      copy(rows, connection);
    }
    try (Statement drop = connection.createStatement()) {
      drop.execute("drop table actual_row");
    }
  }

  private static void copy(ResultSet rows, Connection connection) throws SQLException {
    List<Row> gathered = new ArrayList<>(SIZE);
    int number = 0;
    while (rows.next()) {
      Row row = row(rows);
      boolean isOfNext = !gathered.isEmpty() && gathered.get(0).load() != row.load();
      if (isOfNext || gathered.size() == SIZE) {
        write(connection, number, gathered);
        number = isOfNext ? 0 : number + 1;
      }
      gathered.add(row);
    }
    write(connection, number, gathered);
  }

  private static Row row(ResultSet row) throws SQLException {
    LocalDate day = row.getObject(4, LocalDate.class);
    return new Row(
        row.getInt(1),
        row.getInt(2),
        row.getInt(3),
        day == null ? 0 : day.getDayOfMonth(),
        row.getInt(5),
        row.getInt(6),
        row.getInt(7),
        row.getString(8),
        (Object[]) row.getArray(9).getArray());
  }

  private static void write(Connection connection, int number, List<Row> gathered)
      throws SQLException {
    if (gathered.isEmpty()) {
      return;
    }
    int load = gathered.get(0).load();
    try (PreparedStatement insert =
        connection.prepareStatement(
            "insert into actual_part (id, load_id, row_count, content) values (?, ?, ?, ?)")) {
      insert.setLong(1, ((long) load << ROWS_OF_A_LOAD) + number);
      insert.setInt(2, load);
      insert.setInt(3, gathered.size());
      insert.setBytes(4, CBOR.writeValueAsBytes(part(gathered)));
      insert.executeUpdate();
    }
    gathered.clear();
  }

  private static Part part(List<Row> rows) {
    long[][] amounts = new long[rows.get(0).amounts().length][rows.size()];
    int[] lines = new int[rows.size()];
    for (int at = 0; at < lines.length; at++) {
      lines[at] = rows.get(at).line() - (at == 0 ? 0 : rows.get(at - 1).line());
      for (int m = 0; m < amounts.length; m++) {
        amounts[m][at] = (Long) rows.get(at).amounts()[m];
      }
    }
    return new Part(
        lines,
        rows.stream().mapToInt(Row::month).toArray(),
        rows.stream().mapToInt(Row::day).toArray(),
        rows.stream().mapToInt(Row::rep).toArray(),
        rows.stream().mapToInt(Row::region).toArray(),
        rows.stream().mapToInt(Row::product).toArray(),
        rows.stream().map(Row::order).toArray(String[]::new),
        amounts);
  }
}
