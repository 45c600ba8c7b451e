package zealoustarget.server.transfer.backup;

import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import javax.sql.DataSource;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.scheduling.concurrent.ThreadPoolTaskScheduler;
import org.springframework.stereotype.Service;
import zealoustarget.core.Refusal;
import zealoustarget.server.audit.Audit;
import zealoustarget.server.audit.AuditKind;
import zealoustarget.server.platform.jobs.TaskPools;
import zealoustarget.server.platform.storage.DataFolder;
import zealoustarget.server.platform.storage.Snapshot;
import zealoustarget.server.record.RecordService;

/** Makes backups while everything goes on, reads each back, and keeps the latest. */
@Service
class BackupService {
  private static final Logger LOG = LoggerFactory.getLogger(BackupService.class);
  private static final DateTimeFormatter NAME =
      DateTimeFormatter.ofPattern("uuuu-MM-dd-HHmmss").withZone(ZoneOffset.UTC);
  private static final String BY_ITSELF = "-auto.zip";

  /**
   * A backup that is kept.
   *
   * @param madeAt ISO 8601 in UTC
   * @param bytes of the file
   */
  record Kept(String name, String madeAt, long bytes) {}

  private final DataSource database;
  private final BackupSettings settings;
  private final Audit audit;
  private final Clock clock;
  private final RecordService record;
  private final Path dataFolder;
  private final Path folder;
  private final ThreadPoolTaskScheduler timers;

  BackupService(
      DataSource database,
      BackupSettings settings,
      Audit audit,
      Clock clock,
      RecordService record,
      @Qualifier(TaskPools.BACKUPS) ThreadPoolTaskScheduler timers,
      @Value("${zealous.data-dir}") String data) {
    this.timers = timers;
    this.dataFolder = Path.of(data);
    this.database = database;
    this.settings = settings;
    this.audit = audit;
    this.clock = clock;
    this.record = record;
    this.folder =
        settings.folder().isBlank() ? dataFolder.resolve("backups") : Path.of(settings.folder());
  }

  @EventListener(ApplicationReadyEvent.class)
  void begin() {
    if (!settings.every().isZero()) {
      var unused = timers.scheduleWithFixedDelay(this::makeIfDue, Duration.ofMinutes(1));
    }
  }

  /** Waits for a backup under way, while the database is still open. */
  @PreDestroy
  void stop() {
    timers.shutdown();
  }

  /** The backups of the folder, latest first. */
  List<Kept> all() {
    if (!Files.isDirectory(folder)) {
      return List.of();
    }
    try (Stream<Path> files = Files.list(folder)) {
      return files
          .filter(file -> file.toString().endsWith(".zip"))
          .map(BackupService::kept)
          .sorted(Comparator.comparing(Kept::madeAt).reversed())
          .toList();
    } catch (IOException failure) {
      throw new UncheckedIOException(failure);
    }
  }

  private static Kept kept(Path file) {
    try {
      return new Kept(
          file.getFileName().toString(),
          Files.getLastModifiedTime(file).toInstant().toString(),
          Files.size(file));
    } catch (IOException failure) {
      throw new UncheckedIOException(failure);
    }
  }

  /**
   * The file of a backup.
   *
   * @throws Refusal backup-unknown
   */
  Path file(String name) {
    return all().stream()
        .filter(kept -> kept.name().equals(name))
        .findFirst()
        .map(kept -> folder.resolve(kept.name()))
        .orElseThrow(() -> Refusal.of("backup-unknown", BackupWords.noBackup(name)));
  }

  /**
   * Makes a backup now, of one state, while others work on.
   *
   * @throws Refusal backup-failed, saying why
   */
  Kept make() {
    return make(".zip");
  }

  private synchronized Kept make(String ending) {
    Instant now = clock.instant();
    Path target = folder.resolve(NAME.format(now) + ending);
    try {
      if (!Files.isDirectory(folder)) {
        DataFolder.keepPrivate(Files.createDirectories(folder));
      }
      if (Files.exists(target)) {
        return kept(target); // of this second
      }
      checkRecord();
      BackupKey key = key();
      Snapshot.read(
          database, connection -> BackupFile.write(connection, now.toString(), key, target));
      audit.add(AuditKind.BACKUP, "backup " + target.getFileName(), null, null);
      return kept(target);
    } catch (IOException | SQLException failure) {
      LOG.error("no backup was made", failure);
      throw Refusal.of("backup-failed", BackupWords.notMade(words(failure)));
    }
  }

  private BackupKey key() throws IOException {
    return settings.passphrase().isEmpty()
        ? BackupKey.ofInstallation(dataFolder)
        : BackupKey.of(settings.passphrase());
  }

  /** A damaged record is not laid over good copies. */
  private void checkRecord() {
    RecordService.RecordAnswer found = record.verify();
    if (!found.isWhole()) {
      throw Refusal.of(
          "backup-failed", BackupWords.notMadeOfDamaged(String.join(" ", found.faults())));
    }
  }

  private static String words(Exception failure) {
    return failure instanceof IOException
        ? BackupWords.FILE_COULD_NOT_BE_WRITTEN
        : BackupWords.DATABASE_REFUSED;
  }

  private static void deleteQuietly(Path file) {
    try {
      Files.deleteIfExists(file);
    } catch (IOException left) {
      LOG.warn("{} is left over", file.getFileName());
    }
  }

  private void makeIfDue() {
    try {
      Optional<Instant> last =
          all().stream()
              .filter(kept -> kept.name().endsWith(BY_ITSELF))
              .map(kept -> Instant.parse(kept.madeAt()))
              .findFirst();
      if (last.isEmpty()
          || Duration.between(last.get(), clock.instant()).compareTo(settings.every()) >= 0) {
        make(BY_ITSELF);
        dropOld();
      }
    } catch (RuntimeException failure) {
      LOG.error("the backup that was due failed", failure);
    }
  }

  /** Takes away the oldest of those made by themselves. */
  private void dropOld() {
    all().stream()
        .filter(kept -> kept.name().endsWith(BY_ITSELF))
        .skip(Math.max(1, settings.keep()))
        .forEach(kept -> deleteQuietly(folder.resolve(kept.name())));
  }
}
