package zealoustarget.server.platform.storage;

import java.sql.SQLException;
import org.jspecify.annotations.Nullable;
import org.springframework.boot.diagnostics.AbstractFailureAnalyzer;
import org.springframework.boot.diagnostics.FailureAnalysis;

/** Says in words that the database cannot be read, in whatever way that shows. */
class DamagedDatabase extends AbstractFailureAnalyzer<SQLException> {
  @Override
  protected @Nullable FailureAnalysis analyze(Throwable rootFailure, SQLException cause) {
    return Space.isFull(cause)
        ? null
        : new FailureAnalysis(
            StorageWords.DATABASE_OF_DATA_FOLDER_IS_DAMAGED,
            StorageWords.RESTORE_LAST_BACKUP,
            cause);
  }
}
