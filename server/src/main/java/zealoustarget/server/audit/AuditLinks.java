package zealoustarget.server.audit;

import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.List;
import org.flywaydb.core.api.migration.JavaMigration;
import org.jspecify.annotations.Nullable;
import zealoustarget.server.platform.http.Link;

/**
 * The trail as a chain: what each entry's hash is made of, and whether it still is. Read by plain
 * queries, so that a database can also be looked at before anything else is made of it.
 */
public final class AuditLinks {
  private static final String ALL =
      "select id, place, previous_hash, hash, done_at, done_by, kind, subject, before_text,"
          + " after_text, load_id from audit_entry order by id";

  /**
   * What became of the chain.
   *
   * @param entries how many there are
   * @param head hash of the last one, {@link Link#NONE} where there is none
   * @param faults what is wrong, in words
   */
  public record Verified(long entries, String head, List<String> faults) {}

  private AuditLinks() {}

  /** Changes of the database that are code, for what makes one without the application. */
  public static JavaMigration[] migrations() {
    return new JavaMigration[] {new V10__TrailInLinks()};
  }

  /** The hash of an entry. */
  static String hash(AuditEntity entry) {
    return hash(
        entry.previousHash,
        entry.place,
        entry.at,
        entry.by,
        entry.kind.name(),
        entry.subject,
        entry.before,
        entry.after,
        entry.loadId);
  }

  private static String hash(
      String previous,
      long place,
      Instant at,
      String by,
      String kind,
      String subject,
      @Nullable String before,
      @Nullable String after,
      @Nullable Integer loadId) {
    return Link.hash(previous, place, at.toEpochMilli(), by, kind, subject, before, after, loadId);
  }

  /** Looks at every entry, and whether the last is the one that was added last. */
  public static Verified verify(Connection connection) throws SQLException {
    List<String> faults = new ArrayList<>();
    long place = 0;
    String head = Link.NONE;
    try (Statement statement = connection.createStatement();
        ResultSet row = statement.executeQuery(ALL)) {
      while (row.next()) {
        long found = row.getLong("place");
        String hash = row.getString("hash");
        if (found != place + 1 || !head.equals(row.getString("previous_hash"))) {
          faults.add(
              AuditWords.auditLogHasGapBeforeEntry(
                  found, row.getObject("done_at", OffsetDateTime.class).toInstant()));
        }
        if (!of(row).equals(hash)) {
          faults.add(AuditWords.entryOfAuditLogDoesNot(found, row.getString("subject")));
        }
        place = found;
        head = hash;
      }
    }
    try (Statement statement = connection.createStatement();
        ResultSet row = statement.executeQuery("select place, hash from record_head")) {
      if (!row.next() || row.getLong(1) != place || !row.getString(2).equals(head)) {
        faults.add(AuditWords.AUDIT_LOG_DOES_NOT_END_WITH);
      }
    }
    return new Verified(place, head, faults);
  }

  /** Links what has no hash yet, in order, and notes the last; for a trail of an older version. */
  static void chain(Connection connection) throws SQLException {
    long place = 0;
    String head = Link.NONE;
    try (Statement statement = connection.createStatement();
        ResultSet row = statement.executeQuery(ALL);
        PreparedStatement update =
            connection.prepareStatement(
                "update audit_entry set place = ?, previous_hash = ?, hash = ? where id = ?")) {
      while (row.next()) {
        place++;
        String hash = hash(row, head, place);
        update.setLong(1, place);
        update.setString(2, head);
        update.setString(3, hash);
        update.setLong(4, row.getLong("id"));
        update.executeUpdate();
        head = hash;
      }
    }
    setHead(connection, place, head);
  }

  /** Notes the last entry anew, as after an import of a whole trail. */
  public static void setHead(Connection connection) throws SQLException {
    try (Statement statement = connection.createStatement();
        ResultSet row =
            statement.executeQuery(
                "select place, hash from audit_entry order by id desc fetch first row only")) {
      if (row.next()) {
        setHead(connection, row.getLong(1), row.getString(2));
      }
    }
  }

  private static void setHead(Connection connection, long place, String head) throws SQLException {
    try (PreparedStatement update =
        connection.prepareStatement("merge into record_head (id, place, hash) values (1, ?, ?)")) {
      update.setLong(1, place);
      update.setString(2, head);
      update.executeUpdate();
    }
  }

  private static String of(ResultSet row) throws SQLException {
    return hash(row, row.getString("previous_hash"), row.getLong("place"));
  }

  private static String hash(ResultSet row, String previous, long place) throws SQLException {
    return hash(
        previous,
        place,
        row.getObject("done_at", OffsetDateTime.class).toInstant(),
        row.getString("done_by"),
        row.getString("kind"),
        row.getString("subject"),
        row.getString("before_text"),
        row.getString("after_text"),
        row.getObject("load_id", Integer.class));
  }
}
