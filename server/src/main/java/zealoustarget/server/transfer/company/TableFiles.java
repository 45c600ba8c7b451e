package zealoustarget.server.transfer.company;

import de.siegmar.fastcsv.reader.NamedCsvRecord;
import java.io.IOException;
import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import zealoustarget.server.startup.Identities;

/** Tables as they are, in CSV. */
final class TableFiles {
  private static final String FILE = "FILE";
  private static final int BATCH = 1_000;

  /** A column of a table as the database describes it. */
  private record Known(String name, String type, boolean isNullable, String about) {
    boolean isText() {
      return type.startsWith("CHARACTER");
    }
  }

  private TableFiles() {}

  /** Writes a table and the files that its cells name. */
  static Description.Table write(Connection connection, CompanyTables.Plain table, ZipFiles zip)
      throws IOException, SQLException {
    String file = "tables/" + table.name().toLowerCase(java.util.Locale.ROOT) + ".csv";
    List<Known> columns = columns(connection, table.name());
    long rows =
        zip.csv(
            file,
            out -> {
              out.accept(columns.stream().map(Known::name).toList());
              try (Statement statement = connection.createStatement();
                  ResultSet row = statement.executeQuery(query(table, columns))) {
                while (row.next()) {
                  out.accept(cells(table, columns, row));
                }
              }
            });
    for (String column : table.files().keySet()) {
      writeFiles(connection, table, column, zip);
    }
    return new Description.Table(
        table.name(),
        file,
        about(connection, table.name()),
        rows,
        columns.stream()
            .map(
                column ->
                    new Description.Column(
                        column.name(),
                        table.files().containsKey(column.name()) ? FILE : column.type(),
                        column.about()))
            .toList());
  }

  private static String query(CompanyTables.Plain table, List<Known> columns) {
    String names =
        columns.stream()
            .map(
                column -> table.files().containsKey(column.name()) ? "null" : quoted(column.name()))
            .collect(Collectors.joining(", "));
    return "select "
        + names
        + " from "
        + quoted(table.name())
        + " where "
        + table.where()
        + (columns.size() == 1 ? " order by 1" : " order by 1, 2");
  }

  private static List<String> cells(CompanyTables.Plain table, List<Known> columns, ResultSet row)
      throws SQLException {
    List<String> cells = new ArrayList<>(columns.size());
    for (int at = 0; at < columns.size(); at++) {
      Known column = columns.get(at);
      if (table.files().containsKey(column.name())) {
        cells.add(fileName(table, row.getString(1), column.name()));
      } else {
        String text = row.getString(at + 1);
        cells.add(column.isText() ? Cells.written(text) : text == null ? "" : text);
      }
    }
    return cells;
  }

  /** The first column is the key of a table that has files. */
  private static String fileName(CompanyTables.Plain table, String key, String column) {
    return table.name().toLowerCase(java.util.Locale.ROOT)
        + "s/"
        + key
        + "-"
        + table.files().get(column);
  }

  private static void writeFiles(
      Connection connection, CompanyTables.Plain table, String column, ZipFiles zip)
      throws IOException, SQLException {
    try (Statement statement = connection.createStatement();
        ResultSet row =
            statement.executeQuery(
                "select id, "
                    + quoted(column)
                    + " from "
                    + quoted(table.name())
                    + " where "
                    + table.where()
                    + " order by id")) {
      while (row.next()) {
        zip.bytes(fileName(table, row.getString(1), column), row.getBytes(2));
      }
    }
  }

  /** Reads a table back, in place of what stands in it. */
  static void read(Connection connection, Description.Table described, ExportFile from)
      throws IOException, SQLException {
    CompanyTables.Plain table =
        CompanyTables.PLAIN.stream()
            .filter(one -> one.name().equals(described.table()))
            .findFirst()
            .orElseThrow(
                () -> new IOException(CompanyWords.tableIsNotKnownHere(described.table())));
    Map<String, Known> known = new LinkedHashMap<>();
    columns(connection, table.name()).forEach(column -> known.put(column.name(), column));
    List<Known> columns = new ArrayList<>();
    for (Description.Column column : described.columns()) {
      if (!known.containsKey(column.name())) {
        throw new IOException(
            CompanyWords.hasColumnThatIsNotKnown(described.file(), column.name()));
      }
      columns.add(known.get(column.name()));
    }
    try (Statement statement = connection.createStatement()) {
      statement.execute("delete from " + quoted(table.name()));
    }
    String insert =
        "insert into "
            + quoted(table.name())
            + " ("
            + columns.stream()
                .map(column -> quoted(column.name()))
                .collect(Collectors.joining(", "))
            + ") values ("
            + String.join(", ", Collections.nCopies(columns.size(), "?"))
            + ")";
    try (PreparedStatement statement = connection.prepareStatement(insert)) {
      int[] waiting = {0};
      long rows =
          from.rows(
              described.file(),
              record -> {
                fill(statement, table, columns, record, from);
                statement.addBatch();
                if (++waiting[0] % BATCH == 0) {
                  statement.executeBatch();
                }
              });
      statement.executeBatch();
      if (rows != described.rows()) {
        throw new IOException(
            CompanyWords.tableHasRowsAreDescribed(described.file(), rows, described.rows()));
      }
    }
    Identities.restart(connection, table.name());
  }

  private static void fill(
      PreparedStatement statement,
      CompanyTables.Plain table,
      List<Known> columns,
      NamedCsvRecord record,
      ExportFile from)
      throws SQLException, IOException {
    for (int at = 0; at < columns.size(); at++) {
      Known column = columns.get(at);
      String cell = record.getField(column.name());
      if (table.files().containsKey(column.name())) {
        statement.setBytes(at + 1, from.bytes(cell));
      } else if (cell.isEmpty() && column.isNullable()) {
        statement.setString(at + 1, null);
      } else {
        statement.setString(at + 1, column.isText() ? Cells.read(cell) : cell);
      }
    }
  }

  private static List<Known> columns(Connection connection, String table) throws SQLException {
    List<Known> columns = new ArrayList<>();
    try (PreparedStatement statement =
        connection.prepareStatement(
            "select column_name, data_type, is_nullable, remarks"
                + " from information_schema.columns where table_schema = 'PUBLIC' and table_name = ?"
                + " order by ordinal_position")) {
      statement.setString(1, table);
      try (ResultSet row = statement.executeQuery()) {
        while (row.next()) {
          columns.add(
              new Known(
                  row.getString(1),
                  row.getString(2),
                  row.getString(3).equals("YES"),
                  row.getString(4)));
        }
      }
    }
    return columns;
  }

  private static @Nullable String about(Connection connection, String table) throws SQLException {
    try (PreparedStatement statement =
        connection.prepareStatement(
            "select remarks from information_schema.tables"
                + " where table_schema = 'PUBLIC' and table_name = ?")) {
      statement.setString(1, table);
      try (ResultSet row = statement.executeQuery()) {
        return row.next() ? row.getString(1) : null;
      }
    }
  }

  private static String quoted(String name) {
    return "\"" + name + "\"";
  }
}
