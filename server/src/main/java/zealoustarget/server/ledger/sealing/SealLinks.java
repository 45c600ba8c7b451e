package zealoustarget.server.ledger.sealing;

import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.flywaydb.core.api.migration.JavaMigration;
import zealoustarget.core.calendar.Months;
import zealoustarget.server.platform.Sha256;
import zealoustarget.server.platform.http.Link;

/** Seals as a chain: what each one's hash is made of, and whether it still is. */
public final class SealLinks {
  private static final String ALL =
      "select id, seal_month, sealed_at, sealed_by, posted_loads, rules, statements, figures,"
          + " checksum, form, previous_hash, hash, unsealed_at from seal order by id";

  /**
   * What became of the seals.
   *
   * @param faults what is wrong, in words
   */
  public record Verified(int seals, List<String> faults) {}

  private SealLinks() {}

  /** Changes of the database that are code, for what makes one without the application. */
  public static JavaMigration[] migrations() {
    return new JavaMigration[] {new V11__SealsInLinks()};
  }

  static String hash(
      String previous,
      int month,
      Instant sealedAt,
      String sealedBy,
      String loads,
      String checksum,
      int form) {
    return Link.hash(previous, month, sealedAt.toEpochMilli(), sealedBy, loads, checksum, form);
  }

  /** Looks at every seal's bytes and links, and that each that was opened was opened in the log. */
  public static Verified verify(Connection connection) throws SQLException {
    List<String> faults = new ArrayList<>();
    String head = Link.NONE;
    int seals = 0;
    Map<Integer, String> rows = digests(connection);
    try (Statement statement = connection.createStatement();
        ResultSet row = statement.executeQuery(ALL)) {
      while (row.next()) {
        seals++;
        String month = Months.of(row.getInt("seal_month")).toString();
        String checksum =
            Sha256.of(row.getBytes("rules"), row.getBytes("statements"), row.getBytes("figures"));
        if (!checksum.equals(row.getString("checksum"))) {
          faults.add(SealingWords.closedFiguresOfAreNotThose(month));
        }
        if (!head.equals(row.getString("previous_hash"))) {
          faults.add(SealingWords.sealWasRemovedAddedOrMoved(month));
        }
        if (!of(row, row.getString("previous_hash")).equals(row.getString("hash"))) {
          faults.add(SealingWords.sealOfDoesNotRead(month));
        }
        String then = SealedLoad.rowsOf(row.getString("posted_loads"));
        List<SealedLoad> loads = SealedLoad.readAll(row.getString("posted_loads"));
        if (then != null && !then.equals(SealedLoad.rows(loads, rows::get))) {
          faults.add(SealingWords.sealedRowsDiffer(month));
        }
        head = row.getString("hash");
      }
    }
    faults.addAll(openedUnsaid(connection));
    return new Verified(seals, faults);
  }

  /** Digest of each load's rows as it was posted, by its number. */
  private static Map<Integer, String> digests(Connection connection) throws SQLException {
    Map<Integer, String> digests = new HashMap<>();
    try (Statement statement = connection.createStatement();
        ResultSet row = statement.executeQuery("select id, row_digest from load")) {
      while (row.next()) {
        digests.put(row.getInt(1), row.getString(2));
      }
    }
    return digests;
  }

  private static List<String> openedUnsaid(Connection connection) throws SQLException {
    List<String> faults = new ArrayList<>();
    try (Statement statement = connection.createStatement();
        ResultSet row =
            statement.executeQuery(
                "select seal_month, count(*) from seal where unsealed_at is not null"
                    + " group by seal_month")) {
      while (row.next()) {
        String month = Months.of(row.getInt(1)).toString();
        if (row.getInt(2) != timesOpened(connection, month)) {
          faults.add(SealingWords.wasOpenedAgainWithoutEntry(month));
        }
      }
    }
    return faults;
  }

  private static int timesOpened(Connection connection, String month) throws SQLException {
    try (PreparedStatement statement =
        connection.prepareStatement(
            "select count(*) from audit_entry where kind = 'MONTH_UNSEALED' and subject = ?")) {
      statement.setString(1, month);
      try (ResultSet row = statement.executeQuery()) {
        row.next();
        return row.getInt(1);
      }
    }
  }

  /** Links seals that have no hash yet, in order. */
  static void chain(Connection connection) throws SQLException {
    String head = Link.NONE;
    try (Statement statement = connection.createStatement();
        ResultSet row = statement.executeQuery(ALL);
        PreparedStatement update =
            connection.prepareStatement(
                "update seal set previous_hash = ?, hash = ? where id = ?")) {
      while (row.next()) {
        String hash = of(row, head);
        update.setString(1, head);
        update.setString(2, hash);
        update.setInt(3, row.getInt("id"));
        update.executeUpdate();
        head = hash;
      }
    }
  }

  private static String of(ResultSet row, String previous) throws SQLException {
    return hash(
        previous,
        row.getInt("seal_month"),
        row.getObject("sealed_at", OffsetDateTime.class).toInstant(),
        row.getString("sealed_by"),
        row.getString("posted_loads"),
        row.getString("checksum"),
        row.getInt("form"));
  }
}
