package zealoustarget.server.platform.storage;

import java.nio.file.Path;
import org.springframework.boot.context.event.ApplicationEnvironmentPreparedEvent;
import org.springframework.boot.context.logging.LoggingApplicationListener;
import org.springframework.context.ApplicationListener;
import org.springframework.core.Ordered;

/**
 * Looks at the data folder before the log is opened in it, whose own failure would be a long trace.
 */
class DataFolderCheck implements ApplicationListener<ApplicationEnvironmentPreparedEvent>, Ordered {
  @Override
  public void onApplicationEvent(ApplicationEnvironmentPreparedEvent prepared) {
    String folder = prepared.getEnvironment().getProperty("zealous.data-dir");
    if (folder != null) {
      DataFolder.checkWritable(Path.of(folder));
    }
  }

  @Override
  public int getOrder() {
    return LoggingApplicationListener.DEFAULT_ORDER - 1;
  }
}
