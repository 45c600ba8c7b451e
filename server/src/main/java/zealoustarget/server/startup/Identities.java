package zealoustarget.server.startup;

import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;

/** Numbers that the database gives to new rows. */
public final class Identities {
  private Identities() {}

  /** Lets the numbers of a table go on behind the largest that is there. */
  public static void restart(Connection connection, String table) throws SQLException {
    for (String column : columns(connection, table)) {
      try (Statement statement = connection.createStatement();
          ResultSet row =
              statement.executeQuery(
                  "select coalesce(max(" + quoted(column) + "), 0) + 1 from " + quoted(table))) {
        row.next();
        long next = row.getLong(1);
        try (Statement restart = connection.createStatement()) {
          restart.execute(
              "alter table "
                  + quoted(table)
                  + " alter column "
                  + quoted(column)
                  + " restart with "
                  + next);
        }
      }
    }
  }

  private static List<String> columns(Connection connection, String table) throws SQLException {
    List<String> names = new ArrayList<>();
    try (PreparedStatement statement =
        connection.prepareStatement(
            "select column_name from information_schema.columns where table_schema = 'PUBLIC'"
                + " and table_name = ? and is_identity = 'YES'")) {
      statement.setString(1, table);
      try (ResultSet row = statement.executeQuery()) {
        while (row.next()) {
          names.add(row.getString(1));
        }
      }
    }
    return names;
  }

  private static String quoted(String name) {
    return "\"" + name.replace("\"", "\"\"") + "\"";
  }
}
