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
            "The database of the data folder is damaged and cannot be read. Nothing was changed.",
            "Put the folder aside and restore the last backup: ./run restore FILE --data DIR.",
            cause);
  }
}
