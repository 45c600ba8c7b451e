package zealoustarget.server.audit;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/**
 * The number of the last entry, beside the database: a database that is cut or exchanged opens as
 * it was earlier, and says nothing of it.
 */
@Component
public class HeadFile {
  private static final String NAME = "record.head";

  private final Path file;
  private long written;

  HeadFile(@Value("${zealous.data-dir}") String dataFolder) {
    file = Path.of(dataFolder).resolve(NAME);
  }

  /** Notes an entry that is stored. */
  synchronized void write(long place) {
    if (place <= written) {
      return; // an entry after it was quicker
    }
    written = place;
    try {
      Files.writeString(file, Long.toString(place));
    } catch (IOException full) {
      // an older number finds less, and nothing wrong
    }
  }

  /** The number of the last entry as far as it was noted; 0 where it was not. */
  public long read() {
    try {
      return Files.exists(file) ? Long.parseLong(Files.readString(file).strip()) : 0;
    } catch (IOException | NumberFormatException torn) {
      return 0;
    }
  }
}
