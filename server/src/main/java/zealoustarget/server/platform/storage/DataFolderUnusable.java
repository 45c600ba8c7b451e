package zealoustarget.server.platform.storage;

import org.springframework.boot.diagnostics.AbstractFailureAnalyzer;
import org.springframework.boot.diagnostics.FailureAnalysis;

/** Says in words that the data folder cannot be written. */
class DataFolderUnusable extends AbstractFailureAnalyzer<DataFolder.Unusable> {
  @Override
  protected FailureAnalysis analyze(Throwable rootFailure, DataFolder.Unusable cause) {
    return new FailureAnalysis(cause.getMessage(), StorageWords.LET_IT_BE_WRITTEN, cause);
  }
}
