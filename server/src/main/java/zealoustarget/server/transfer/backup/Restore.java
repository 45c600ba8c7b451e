package zealoustarget.server.transfer.backup;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.boot.logging.LoggingSystem;

/**
 * Lays a backup into an empty data folder: {@code ./run restore FILE --data DIR [--key FILE |
 * --unsealed]}.
 */
public final class Restore {
  private static final String PASSPHRASE = "ZEALOUS_BACKUP_PASSPHRASE";
  private static final String UNSEALED = "--unsealed";

  private Restore() {}

  /**
   * Takes the file, the folder, and the file of the key, {@code --unsealed} or nothing; ends with 1
   * and words where it does not work.
   */
  public static void main(String[] arguments) {
    // the console is for what is said below
    LoggingSystem.get(Restore.class.getClassLoader()).beforeInitialize();
    try {
      Path file = Path.of(arguments[0]);
      Path folder = Path.of(arguments[1]);
      String how = arguments.length > 2 ? arguments[2] : "";
      BackupFile.Content content = BackupFile.restore(file, folder, key(file, folder, how));
      long rows = content.tables().values().stream().mapToLong(TableSums.Sum::rows).sum();
      System.out.printf(
          BackupWords.RESTORED,
          content.madeAt(),
          rows,
          content.tables().size(),
          how.equals(UNSEALED)
              ? BackupWords.ITS_SEAL_WAS_NOT_LOOKED
              : BackupWords.WITH_UNBROKEN_SEAL);
    } catch (IOException failure) {
      System.err.println(failure.getMessage());
      System.exit(1);
    }
  }

  /** The key that was given; else a passphrase; else one that lies where keys usually lie. */
  private static @Nullable BackupKey key(Path file, Path folder, String how) throws IOException {
    if (how.equals(UNSEALED)) {
      return null;
    }
    if (!how.isEmpty()) {
      return BackupKey.in(Path.of(how));
    }
    String passphrase = System.getenv(PASSPHRASE);
    if (passphrase != null && !passphrase.isEmpty()) {
      return BackupKey.of(passphrase);
    }
    for (Path place : places(file, folder)) {
      if (Files.exists(place)) {
        return BackupKey.in(place);
      }
    }
    throw new IOException(BackupWords.keyIsMissing(PASSPHRASE));
  }

  private static List<Path> places(Path file, Path folder) {
    Path beside = file.toAbsolutePath().getParent();
    return Stream.of(folder, beside, beside == null ? null : beside.getParent(), Path.of("data"))
        .filter(place -> place != null)
        .map(place -> place.resolve(BackupKey.FILE))
        .toList();
  }
}
