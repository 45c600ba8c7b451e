package zealoustarget.server.transfer.backup;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import zealoustarget.server.platform.Sha256;

/** Sums up what stands in every table, so that two databases can be told to be the same. */
public final class TableSums {
  /**
   * One table's content.
   *
   * @param sha256 over all values of all rows, in the order of the primary key
   */
  public record Sum(long rows, String sha256) {}

  private TableSums() {}

  /** Every table of the application, by name. */
  public static Map<String, Sum> of(Connection connection) throws SQLException {
    Map<String, Sum> sums = new TreeMap<>();
    for (String table :
        names(
            connection,
            "select table_name from information_schema.tables"
                + " where table_schema = 'PUBLIC' and table_type = 'BASE TABLE'")) {
      sums.put(table, sum(connection, table, "*"));
    }
    return sums;
  }

  /**
   * One table.
   *
   * @param what columns to sum over, as they stand in a query
   */
  static Sum sum(Connection connection, String table, String what) throws SQLException {
    List<String> keys =
        names(
            connection,
            "select k.column_name from information_schema.key_column_usage k"
                + " join information_schema.table_constraints c"
                + " on c.constraint_name = k.constraint_name and c.table_name = k.table_name"
                + " where c.constraint_type = 'PRIMARY KEY' and c.table_schema = 'PUBLIC'"
                + " and k.table_name = ? order by k.ordinal_position",
            table);
    String order = keys.isEmpty() ? "" : " order by \"" + String.join("\", \"", keys) + "\"";
    MessageDigest digest = Sha256.begin();
    long rows = 0;
    try (Statement statement = connection.createStatement();
        ResultSet row =
            statement.executeQuery("select " + what + " from \"" + table + "\"" + order)) {
      int columns = row.getMetaData().getColumnCount();
      while (row.next()) {
        rows++;
        for (int column = 1; column <= columns; column++) {
          digest.update(bytes(row, column));
          digest.update((byte) 0x1f);
        }
      }
    }
    return new Sum(rows, Sha256.end(digest));
  }

  private static byte[] bytes(ResultSet row, int column) throws SQLException {
    Object value = row.getObject(column);
    if (value instanceof java.sql.Blob || value instanceof byte[]) {
      return row.getBytes(column);
    }
    String text = value == null ? "\u0000null" : row.getString(column);
    return text.getBytes(StandardCharsets.UTF_8);
  }

  /** The texts of a query's first column. */
  static List<String> names(Connection connection, String query, String... values)
      throws SQLException {
    List<String> names = new ArrayList<>();
    try (PreparedStatement statement = connection.prepareStatement(query)) {
      for (int at = 0; at < values.length; at++) {
        statement.setString(at + 1, values[at]);
      }
      try (ResultSet rows = statement.executeQuery()) {
        while (rows.next()) {
          names.add(rows.getString(1));
        }
      }
    }
    return names;
  }
}
