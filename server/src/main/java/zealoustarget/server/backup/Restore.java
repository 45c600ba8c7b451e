package zealoustarget.server.backup;

import java.io.IOException;
import java.nio.file.Path;

/** Lays a backup into an empty data folder: {@code ./run restore FILE --data DIR}. */
public final class Restore {
  private Restore() {}

  /** Takes the file and the folder; ends with 1 and words where it does not work. */
  public static void main(String[] arguments) {
    try {
      BackupFile.Content content = BackupFile.restore(Path.of(arguments[0]), Path.of(arguments[1]));
      long rows = content.tables().values().stream().mapToLong(TableSums.Sum::rows).sum();
      System.out.printf(
          "Restored the backup of %s: %d rows in %d tables, each as noted.%n",
          content.madeAt(), rows, content.tables().size());
    } catch (IOException failure) {
      System.err.println(failure.getMessage());
      System.exit(1);
    }
  }
}
