package zealoustarget.server.platform.storage;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;
import zealoustarget.core.Refusal;

/** The room that is left where the data are. */
@Component
public class Space {
  private static final long RESERVE = 64L << 20;
  private static final int TIMES = 3;

  private final Path folder;

  Space(@Value("${zealous.data-dir}") String dataFolder) {
    this.folder = Path.of(dataFolder);
  }

  /**
   * Before a file is taken in: its lines are kept beside it, so it needs more than its own size.
   *
   * @throws Refusal storage-full while there is too little room for it
   */
  public void checkFor(long bytes) {
    long needed = RESERVE + TIMES * bytes;
    long free = free();
    if (free < needed) {
      throw Refusal.of(
          "storage-full",
          String.format(Locale.ROOT, StorageWords.TOO_LITTLE_SPACE, free >> 20, needed >> 20));
    }
  }

  /** Whether there is room, and a file can be written. */
  boolean isThere() {
    try {
      Path probe = Files.createTempFile(folder, "probe", null);
      try {
        Files.write(probe, new byte[4096]);
      } finally {
        Files.delete(probe);
      }
      return free() >= RESERVE;
    } catch (IOException cannot) {
      return false;
    }
  }

  private long free() {
    try {
      return Files.getFileStore(folder).getUsableSpace();
    } catch (IOException unknown) {
      return Long.MAX_VALUE; // writing will tell
    }
  }

  /** Whether something failed because there was no room, or no right, to write. */
  public static boolean isFull(Throwable failure) {
    for (Throwable cause = failure; cause != null; cause = cause.getCause()) {
      String words = String.valueOf(cause.getMessage());
      if (cause instanceof IOException
          && (words.contains("No space left")
              || words.contains("File too large")
              || words.contains("Disk quota")
              || words.contains("Read-only file system"))) {
        return true;
      }
    }
    return false;
  }
}
