package zealoustarget.server.ledger.sealing;

import java.sql.SQLException;
import org.flywaydb.core.api.migration.BaseJavaMigration;
import org.flywaydb.core.api.migration.Context;
import org.springframework.stereotype.Component;

/** Links the seals that are there already; from here on each is linked as it is set. */
@Component
class V11__SealsInLinks extends BaseJavaMigration {
  @Override
  public void migrate(Context context) throws SQLException {
    SealLinks.chain(context.getConnection());
  }
}
