package zealoustarget.server.transfer.backup;

import java.io.DataInputStream;
import java.io.DataOutputStream;
import java.io.EOFException;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.sql.Array;
import java.sql.Blob;
import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.ResultSetMetaData;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.Collections;
import java.util.List;
import java.util.stream.Collectors;

/**
 * The rows of a table as bytes, value by value: a letter for what it is, then a text, bytes or
 * whole numbers. Reading them back gives values to a statement and does nothing else.
 */
final class TableRows {
  private static final int BATCH = 500;
  private static final int LONGEST = 500_000_000;
  private static final int ROW = 'R';
  private static final int NOTHING = '0';
  private static final int TEXT = 'T';
  private static final int BYTES = 'B';
  private static final int NUMBERS = 'N';

  private TableRows() {}

  /** The columns of a table, in their order. */
  static List<String> columns(Connection connection, String table) throws SQLException {
    return TableSums.names(
        connection,
        "select column_name from information_schema.columns"
            + " where table_schema = 'PUBLIC' and table_name = ? order by ordinal_position",
        table);
  }

  /** The tables that a backup holds; how the database came about is made anew. */
  static List<String> tables(Connection connection) throws SQLException {
    return TableSums.names(
        connection,
        "select table_name from information_schema.tables where table_schema = 'PUBLIC'"
            + " and table_type = 'BASE TABLE' and table_name <> ? order by table_name",
        "flyway_schema_history");
  }

  static void write(Connection connection, String table, DataOutputStream out)
      throws SQLException, IOException {
    try (Statement statement = connection.createStatement();
        ResultSet row = statement.executeQuery("select * from " + quoted(table))) {
      ResultSetMetaData shape = row.getMetaData();
      while (row.next()) {
        out.writeByte(ROW);
        for (int column = 1; column <= shape.getColumnCount(); column++) {
          write(row, column, out);
        }
      }
    }
  }

  private static void write(ResultSet row, int column, DataOutputStream out)
      throws SQLException, IOException {
    Object value = row.getObject(column);
    if (value == null) {
      out.writeByte(NOTHING);
    } else if (value instanceof byte[] || value instanceof Blob) {
      write(BYTES, row.getBytes(column), out);
    } else if (value instanceof Array array) {
      Object[] numbers = (Object[]) array.getArray();
      out.writeByte(NUMBERS);
      out.writeInt(numbers.length);
      for (Object number : numbers) {
        out.writeLong((Long) number);
      }
    } else {
      write(TEXT, row.getString(column).getBytes(StandardCharsets.UTF_8), out);
    }
  }

  private static void write(int what, byte[] bytes, DataOutputStream out) throws IOException {
    out.writeByte(what);
    out.writeInt(bytes.length);
    out.write(bytes);
  }

  /**
   * Puts rows into a table in place of those there.
   *
   * @param columns as they were when the rows were written, each a column of the table
   * @throws IOException in words where they are no rows
   */
  static void read(Connection connection, String table, List<String> columns, DataInputStream in)
      throws SQLException, IOException {
    try (Statement statement = connection.createStatement()) {
      statement.execute("delete from " + quoted(table));
    }
    String insert =
        "insert into "
            + quoted(table)
            + columns.stream().map(TableRows::quoted).collect(Collectors.joining(", ", " (", ")"))
            + " values ("
            + String.join(", ", Collections.nCopies(columns.size(), "?"))
            + ")";
    try (PreparedStatement statement = connection.prepareStatement(insert)) {
      int waiting = 0;
      for (int next = in.read(); next == ROW; next = in.read()) {
        for (int column = 1; column <= columns.size(); column++) {
          set(statement, column, in);
        }
        statement.addBatch();
        if (++waiting % BATCH == 0) {
          statement.executeBatch();
        }
      }
      statement.executeBatch();
    } catch (EOFException cut) {
      throw new IOException(BackupWords.tableInItIsCut(table), cut);
    }
  }

  private static void set(PreparedStatement statement, int column, DataInputStream in)
      throws SQLException, IOException {
    switch (in.readByte()) {
      case NOTHING -> statement.setString(column, null);
      case TEXT -> statement.setString(column, new String(bytes(in), StandardCharsets.UTF_8));
      case BYTES -> statement.setBytes(column, bytes(in));
      case NUMBERS -> statement.setArray(column, numbers(statement.getConnection(), in));
      default -> throw new IOException(BackupWords.NO_VALUE);
    }
  }

  private static byte[] bytes(DataInputStream in) throws IOException {
    int length = length(in);
    byte[] bytes = in.readNBytes(length);
    if (bytes.length < length) {
      throw new EOFException();
    }
    return bytes;
  }

  private static Array numbers(Connection connection, DataInputStream in)
      throws IOException, SQLException {
    Long[] numbers = new Long[length(in) % (LONGEST / 8)];
    for (int at = 0; at < numbers.length; at++) {
      numbers[at] = in.readLong();
    }
    return connection.createArrayOf("BIGINT", numbers);
  }

  private static int length(DataInputStream in) throws IOException {
    int length = in.readInt();
    if (length < 0 || length > LONGEST) {
      throw new IOException(BackupWords.VALUE_IS_TOO_LONG);
    }
    return length;
  }

  private static String quoted(String name) {
    return "\"" + name.replace("\"", "\"\"") + "\"";
  }
}
