package zealoustarget.server.startup;

import java.io.IOException;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.stream.Stream;
import org.flywaydb.core.Flyway;
import org.flywaydb.core.api.MigrationInfo;
import org.flywaydb.core.api.MigrationVersion;
import org.flywaydb.core.api.migration.JavaMigration;
import zealoustarget.server.audit.AuditLinks;
import zealoustarget.server.ledger.sealing.SealLinks;
import zealoustarget.server.ledger.storage.LedgerMigrations;

/** Makes databases without starting the application, of this version or an earlier one. */
public final class Schema {
  /** The version since which trail and seals are linked. */
  private static final String LINKED = "11";

  private Schema() {}

  /**
   * Makes the tables of a version in an empty database.
   *
   * @throws IOException in words where the version is newer than this one
   */
  public static void make(String url, String version) throws IOException {
    MigrationInfo[] known = flyway(url, MigrationVersion.LATEST).info().all();
    MigrationVersion last = known[known.length - 1].getVersion();
    MigrationVersion wanted = MigrationVersion.fromVersion(version);
    if (wanted.isNewerThan(last.getVersion())) {
      throw new IOException(StartupWords.IT_WAS_MADE_BY_NEWER_VERSION);
    }
    flyway(url, wanted).migrate();
  }

  private static Flyway flyway(String url, MigrationVersion target) {
    return Flyway.configure()
        .dataSource(url, "sa", "")
        .javaMigrations(
            Stream.of(LedgerMigrations.all(), AuditLinks.migrations(), SealLinks.migrations())
                .flatMap(Stream::of)
                .toArray(JavaMigration[]::new))
        .target(target)
        .load();
  }

  /** The version of a database. */
  public static String versionOf(Connection connection) throws SQLException {
    try (Statement statement = connection.createStatement();
        ResultSet row =
            statement.executeQuery(
                "select max(cast(\"version\" as int)) from \"flyway_schema_history\"")) {
      row.next();
      return row.getString(1);
    }
  }

  /** Whether trail and seals of a version are linked. */
  public static boolean isLinked(String version) {
    return MigrationVersion.fromVersion(version).isAtLeast(LINKED);
  }
}
