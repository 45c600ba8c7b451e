package zealoustarget.server.platform;

import java.util.Set;
import org.h2.api.ErrorCode;
import org.h2.jdbc.JdbcSQLNonTransientException;
import org.springframework.boot.diagnostics.AbstractFailureAnalyzer;
import org.springframework.boot.diagnostics.FailureAnalysis;

/** Says in words that the database cannot be read. */
class DamagedDatabase extends AbstractFailureAnalyzer<JdbcSQLNonTransientException> {
  private static final Set<Integer> DAMAGED =
      Set.of(ErrorCode.FILE_CORRUPTED_1, ErrorCode.GENERAL_ERROR_1, ErrorCode.FILE_VERSION_ERROR_1);

  @Override
  protected FailureAnalysis analyze(Throwable rootFailure, JdbcSQLNonTransientException cause) {
    return DAMAGED.contains(cause.getErrorCode())
        ? new FailureAnalysis(
            "The database of the data folder is damaged. Nothing was changed.",
            "Put the folder aside and restore the last backup: ./run restore FILE --data DIR.",
            cause)
        : null;
  }
}
