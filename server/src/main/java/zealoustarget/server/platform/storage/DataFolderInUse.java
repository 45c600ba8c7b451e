package zealoustarget.server.platform.storage;

import org.h2.api.ErrorCode;
import org.h2.jdbc.JdbcSQLNonTransientConnectionException;
import org.jspecify.annotations.Nullable;
import org.springframework.boot.diagnostics.AbstractFailureAnalyzer;
import org.springframework.boot.diagnostics.FailureAnalysis;

/** Says in words why a second process cannot start on the same data folder. */
class DataFolderInUse extends AbstractFailureAnalyzer<JdbcSQLNonTransientConnectionException> {
  @Override
  protected @Nullable FailureAnalysis analyze(
      Throwable rootFailure, JdbcSQLNonTransientConnectionException cause) {
    if (cause.getErrorCode() != ErrorCode.DATABASE_ALREADY_OPEN_1) {
      return null;
    }
    return new FailureAnalysis(
        StorageWords.DATA_FOLDER_IS_IN_USE, StorageWords.STOP_OTHER_ONE, cause);
  }
}
