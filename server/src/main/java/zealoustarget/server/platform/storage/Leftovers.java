package zealoustarget.server.platform.storage;

import java.io.IOException;
import java.nio.file.DirectoryStream;
import java.nio.file.Files;
import java.nio.file.Path;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** Files that were only for a while, and that a halt left. */
public final class Leftovers {
  private static final Logger LOG = LoggerFactory.getLogger(Leftovers.class);

  private Leftovers() {}

  /** Deletes what fits; what cannot be deleted stays and does no harm. */
  public static void delete(Path folder, String glob) {
    if (!Files.isDirectory(folder)) {
      return;
    }
    try (DirectoryStream<Path> files = Files.newDirectoryStream(folder, glob)) {
      for (Path file : files) {
        Files.delete(file);
      }
    } catch (IOException stays) {
      LOG.warn("what a halt left in {} could not be deleted", folder.getFileName());
    }
  }
}
