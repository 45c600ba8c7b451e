package zealoustarget.server.audit;

import java.sql.SQLException;
import org.flywaydb.core.api.migration.BaseJavaMigration;
import org.flywaydb.core.api.migration.Context;
import org.springframework.stereotype.Component;

/** Links the entries that are there already; from here on each is linked as it is added. */
@Component
class V10__TrailInLinks extends BaseJavaMigration {
  @Override
  public void migrate(Context context) throws SQLException {
    AuditLinks.chain(context.getConnection());
  }
}
