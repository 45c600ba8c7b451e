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
            ? StorageWords.WRITTEN_BY_NEWER_VERSION
            : StorageWords.dataFolderDoesNotFit(cause.getMessage()),
        isNewer
            ? StorageWords.START_NEWER_VERSION
            : StorageWords.RESTORE_LAST_BACKUP_INTO_EMPTY_FOLDER,
        cause);
  }
}
