package zealoustarget.server.ledger.storage;

import org.flywaydb.core.api.migration.JavaMigration;

/** Changes of the database that are code, for what makes one without starting the application. */
public final class LedgerMigrations {
  private LedgerMigrations() {}

  /** All of them. */
  public static JavaMigration[] all() {
    return new JavaMigration[] {new V3__ActualsInParts(), new V12__GoalsInParts()};
  }
}
