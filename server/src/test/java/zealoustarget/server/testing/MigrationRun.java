package zealoustarget.server.testing;

import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import java.sql.Connection;
import org.flywaydb.core.api.migration.Context;
import org.flywaydb.core.api.migration.JavaMigration;

/** Runs single changes of a database again, as if it came from before them. */
public final class MigrationRun {
  private MigrationRun() {}

  public static void of(JavaMigration[] migrations, Connection connection) throws Exception {
    Context context = mock(Context.class);
    when(context.getConnection()).thenReturn(connection);
    for (JavaMigration migration : migrations) {
      migration.migrate(context);
    }
  }
}
