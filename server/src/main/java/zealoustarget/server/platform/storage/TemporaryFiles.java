package zealoustarget.server.platform.storage;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.DirectoryStream;
import java.nio.file.Files;
import java.nio.file.Path;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import org.springframework.util.FileSystemUtils;

/**
 * Files that are needed for a while, in a folder of this start below the data folder, which nobody
 * else can read. What an earlier start left is deleted once the data are open: until then they may
 * be another process's.
 */
@Component
public class TemporaryFiles {
  private static final Logger LOG = LoggerFactory.getLogger(TemporaryFiles.class);

  private final Path data;
  private final Path all;
  private final Path folder;

  TemporaryFiles(@Value("${zealous.data-dir}") String dataFolder) throws IOException {
    data = Path.of(dataFolder).toAbsolutePath();
    all = data.resolve("temporary");
    Files.createDirectories(all);
    DataFolder.keepPrivate(all);
    folder = Files.createTempDirectory(all, "start");
  }

  /** The folder, for libraries that make their own files. */
  public Path folder() {
    return folder;
  }

  /** Makes an empty file; whoever asks deletes it. */
  public Path create(String prefix, String suffix) {
    try {
      return Files.createTempFile(folder, prefix, suffix);
    } catch (IOException failure) {
      throw new UncheckedIOException(failure);
    }
  }

  @EventListener(ApplicationReadyEvent.class)
  void deleteOlder() throws IOException {
    DataFolder.keepPrivate(data); // what this start has made: database, log
    try (DirectoryStream<Path> starts = Files.newDirectoryStream(all)) {
      for (Path start : starts) {
        if (!start.equals(folder)) {
          FileSystemUtils.deleteRecursively(start);
        }
      }
    } catch (IOException stays) {
      LOG.warn("what an earlier start left in {} could not be deleted", all.getFileName());
    }
  }
}
