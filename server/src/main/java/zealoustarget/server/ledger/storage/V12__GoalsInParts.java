package zealoustarget.server.ledger.storage;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.zip.DeflaterOutputStream;
import org.flywaydb.core.api.migration.BaseJavaMigration;
import org.flywaydb.core.api.migration.Context;
import org.springframework.stereotype.Component;
import tools.jackson.dataformat.cbor.CBORMapper;

/**
 * Moves goals from one database row each into parts of 4,096 rows, columns in byte planes;
 * docs/decisions/0006. What it writes is the form of that version and calls nothing that may
 * change.
 */
@Component
class V12__GoalsInParts extends BaseJavaMigration {
  private static final int SIZE = 4_096;
  private static final int FETCHED = 10_000;
  private static final CBORMapper CBOR = new CBORMapper();

  /** A part as it was stored then: integers of 4 bytes, amounts of 8. */
  record Part(byte[] lines, byte[] months, byte[] members, byte[][] amounts) {}

  private record Row(int load, int line, int month, int member, Object[] amounts) {}

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
    List<Row> gathered = new ArrayList<>(SIZE);
    int number = 0;
    while (rows.next()) {
      Row row =
          new Row(
              rows.getInt(1),
              rows.getInt(2),
              rows.getInt(3),
              rows.getInt(4),
              (Object[]) rows.getArray(5).getArray());
      boolean isOfNext = !gathered.isEmpty() && gathered.get(0).load() != row.load();
      if (isOfNext || gathered.size() == SIZE) {
        write(connection, number, gathered);
        number = isOfNext ? 0 : number + 1;
      }
      gathered.add(row);
    }
    write(connection, number, gathered);
  }

  private static void write(Connection connection, int number, List<Row> gathered)
      throws SQLException {
    if (gathered.isEmpty()) {
      return;
    }
    int load = gathered.get(0).load();
    try (PreparedStatement insert =
        connection.prepareStatement(
            "insert into goal_part (id, load_id, row_count, content) values (?, ?, ?, ?)")) {
      insert.setLong(1, ((long) load << Integer.SIZE) + number);
      insert.setInt(2, load);
      insert.setInt(3, gathered.size());
      insert.setBytes(4, deflated(CBOR.writeValueAsBytes(part(gathered))));
      insert.executeUpdate();
    }
    gathered.clear();
  }

  private static Part part(List<Row> rows) {
    byte[][] amounts = new byte[rows.get(0).amounts().length][];
    for (int m = 0; m < amounts.length; m++) {
      int measure = m;
      amounts[m] =
          planes(
              rows.stream().mapToLong(row -> (Long) row.amounts()[measure]).toArray(), Long.BYTES);
    }
    return new Part(
        planes(rows.stream().mapToLong(Row::line).toArray(), Integer.BYTES),
        planes(rows.stream().mapToLong(Row::month).toArray(), Integer.BYTES),
        planes(rows.stream().mapToLong(Row::member).toArray(), Integer.BYTES),
        amounts);
  }

  /** The lowest byte of every value, then the next of every value. */
  private static byte[] planes(long[] column, int bytes) {
    byte[] planes = new byte[bytes * column.length];
    for (int plane = 0, to = 0; plane < bytes; plane++) {
      for (long value : column) {
        planes[to++] = (byte) (value >> Byte.SIZE * plane);
      }
    }
    return planes;
  }

  private static byte[] deflated(byte[] plain) {
    ByteArrayOutputStream packed = new ByteArrayOutputStream();
    try (OutputStream out = new DeflaterOutputStream(packed)) {
      out.write(plain);
    } catch (IOException impossible) {
      throw new UncheckedIOException(impossible);
    }
    return packed.toByteArray();
  }
}
