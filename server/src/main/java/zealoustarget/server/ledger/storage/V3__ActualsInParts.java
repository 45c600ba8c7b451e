package zealoustarget.server.ledger.storage;

import java.sql.Array;
import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.LocalDate;
import org.flywaydb.core.api.migration.BaseJavaMigration;
import org.flywaydb.core.api.migration.Context;
import org.springframework.stereotype.Component;
import zealoustarget.core.intake.LoadRow;

/** Moves actuals from one database row a line into parts; docs/decisions/0006. */
@Component
class V3__ActualsInParts extends BaseJavaMigration {
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
    Gatherer<LoadRow.Actual> gathered = new Gatherer<>(ActualPart::pack);
    int load = -1;
    int number = 0;
    while (rows.next()) {
      int next = rows.getInt(1);
      if (next != load) {
        number = write(connection, load, number, gathered);
        load = next;
        number = 0;
      }
      if (gathered.add(row(rows))) {
        number = write(connection, load, number, gathered);
      }
    }
    write(connection, load, number, gathered);
  }

  private static int write(
      Connection connection, int load, int number, Gatherer<LoadRow.Actual> gathered)
      throws SQLException {
    if (gathered.isEmpty()) {
      return number;
    }
    try (PreparedStatement insert =
        connection.prepareStatement(
            "insert into actual_part (id, load_id, row_count, content) values (?, ?, ?, ?)")) {
      insert.setLong(1, RowStore.firstId(load) + number);
      insert.setInt(2, load);
      insert.setInt(3, gathered.size());
      insert.setBytes(4, gathered.take());
      insert.executeUpdate();
    }
    return number + 1;
  }

  private static LoadRow.Actual row(ResultSet row) throws SQLException {
    Array array = row.getArray(9);
    Object[] values = (Object[]) array.getArray();
    long[] amounts = new long[values.length];
    for (int i = 0; i < values.length; i++) {
      amounts[i] = (Long) values[i];
    }
    return new LoadRow.Actual(
        row.getInt(2),
        row.getInt(3),
        row.getObject(4, LocalDate.class),
        row.getInt(5),
        row.getInt(6),
        row.getInt(7),
        row.getString(8),
        amounts);
  }
}
