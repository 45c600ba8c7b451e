package zealoustarget.server.platform.storage;

import java.util.Objects;
import org.flywaydb.core.api.exception.FlywayValidateException;
import org.springframework.boot.diagnostics.AbstractFailureAnalyzer;
import org.springframework.boot.diagnostics.FailureAnalysis;

/** Says in words that a data folder was written by a version that is newer than this one. */
class NewerData extends AbstractFailureAnalyzer<FlywayValidateException> {
  @Override
  protected FailureAnalysis analyze(Throwable rootFailure, FlywayValidateException cause) {
    boolean isNewer =
        Objects.requireNonNull(cause.getMessage())
            .contains("applied migration not resolved locally");
    return new FailureAnalysis(
        isNewer
            ? "The data folder was written by a newer version of the application. Nothing was changed."
            : "The data folder does not fit this version: " + cause.getMessage(),
        isNewer
            ? "Start that version, or restore a backup that this one made into an empty folder."
            : "Restore the last backup into an empty folder with ./run restore FILE --data DIR.",
        cause);
  }
}
