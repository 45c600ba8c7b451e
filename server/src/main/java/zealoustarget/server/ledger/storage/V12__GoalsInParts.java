package zealoustarget.server.ledger.storage;

import java.sql.Array;
import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import org.flywaydb.core.api.migration.BaseJavaMigration;
import org.flywaydb.core.api.migration.Context;
import org.springframework.stereotype.Component;
import zealoustarget.core.intake.LoadRow;

/** Moves goals from one database row each into parts; docs/decisions/0006. */
@Component
class V12__GoalsInParts extends BaseJavaMigration {
  private static final int FETCHED = 10_000;

  @Override
  public void migrate(Context context) throws SQLException {
    Connection connection = context.getConnection();
    try (Statement make = connection.createStatement()) {
      make.execute(
          "create table goal_part (id bigint primary key, load_id int not null,"
              + " row_count int not null, content varbinary(1048576) not null)");
      make.execute(
          "comment on table goal_part is 'Goals per member and month, column by column, in CBOR,"
              + " deflated (docs/decisions/0006), keyed as actual_part.'");
      make.setFetchSize(FETCHED);
      try (ResultSet rows =
          make.executeQuery(
              "select load_id, line, goal_month, member_id, amounts from goal_row order by id")) {
        copy(rows, connection);
      }
      make.execute("drop table goal_row");
    }
  }

  private static void copy(ResultSet rows, Connection connection) throws SQLException {
    List<LoadRow.Goal> gathered = new ArrayList<>();
    int load = -1;
    int number = 0;
    while (rows.next()) {
      if (rows.getInt(1) != load || gathered.size() == Gatherer.SIZE) {
        number = write(connection, load, number, gathered);
        number = rows.getInt(1) == load ? number : 0;
        load = rows.getInt(1);
      }
      gathered.add(
          new LoadRow.Goal(
              rows.getInt(2), rows.getInt(3), rows.getInt(4), amounts(rows.getArray(5))));
    }
    write(connection, load, number, gathered);
  }

  private static long[] amounts(Array array) throws SQLException {
    Object[] values = (Object[]) array.getArray();
    long[] amounts = new long[values.length];
    for (int at = 0; at < amounts.length; at++) {
      amounts[at] = (Long) values[at];
    }
    return amounts;
  }

  private static int write(Connection connection, int load, int number, List<LoadRow.Goal> gathered)
      throws SQLException {
    if (gathered.isEmpty()) {
      return number;
    }
    try (PreparedStatement insert =
        connection.prepareStatement(
            "insert into goal_part (id, load_id, row_count, content) values (?, ?, ?, ?)")) {
      insert.setLong(1, RowStore.firstId(load) + number);
      insert.setInt(2, load);
      insert.setInt(3, gathered.size());
      insert.setBytes(4, GoalPart.pack(gathered));
      insert.executeUpdate();
      gathered.clear();
    }
    return number + 1;
  }
}
