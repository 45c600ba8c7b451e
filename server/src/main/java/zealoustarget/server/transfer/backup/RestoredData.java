package zealoustarget.server.transfer.backup;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import zealoustarget.core.Refusal;
import zealoustarget.server.access.accounts.Account;
import zealoustarget.server.access.accounts.CurrentAccount;
import zealoustarget.server.access.accounts.Role;
import zealoustarget.server.access.accounts.TwoPersons;
import zealoustarget.server.audit.Audit;
import zealoustarget.server.audit.AuditKind;
import zealoustarget.server.platform.state.RecordState;

/**
 * Data that were laid here from a backup. The trail says so from the first start on; where changes
 * take two persons, whoever restored at the console is the first, and figures wait for the second.
 */
@Component
@Order(1)
class RestoredData implements ApplicationRunner {
  private static final String FILE = "restored";
  private static final DateTimeFormatter SAID =
      DateTimeFormatter.ofPattern("uuuu-MM-dd HH:mm").withZone(ZoneOffset.UTC);

  private final Path note;
  private final TwoPersons twoPersons;
  private final RecordState record;
  private final Audit audit;

  RestoredData(
      @Value("${zealous.data-dir}") String data,
      TwoPersons twoPersons,
      RecordState record,
      Audit audit) {
    this.note = Path.of(data, FILE);
    this.twoPersons = twoPersons;
    this.record = record;
    this.audit = audit;
  }

  /** Notes in a data folder from which backup it was filled. */
  static void note(Path folder, String madeAt) throws IOException {
    Files.writeString(folder.resolve(FILE), madeAt);
  }

  @Override
  public void run(ApplicationArguments arguments) {
    if (!Files.exists(note)) {
      return;
    }
    if (twoPersons.isSet()) {
      record.await(BackupWords.waitsForSecondPerson(madeAt()));
    } else {
      CurrentAccount.asSystem("console", () -> settle(BackupWords.restoredFromBackup(madeAt())));
    }
  }

  /**
   * Takes the restored data for good.
   *
   * @throws Refusal nothing-restored, not-allowed
   */
  void confirm() {
    Account acting = CurrentAccount.account();
    if (!acting.isAdministrator() && acting.role() != Role.APPROVER) {
      throw Refusal.of("not-allowed", BackupWords.THIS_TAKES_ADMINISTRATOR_OR_APPROVER);
    }
    if (!record.isAwaiting()) {
      throw Refusal.of("nothing-restored", BackupWords.NO_RESTORED_DATA_WAIT);
    }
    settle(BackupWords.restoredFromBackupOfConfirmed(madeAt()));
    record.confirmed();
  }

  private void settle(String what) {
    audit.add(AuditKind.BACKUP, what, null, null);
    try {
      Files.delete(note);
    } catch (IOException failure) {
      throw new UncheckedIOException(failure);
    }
  }

  private String madeAt() {
    try {
      return SAID.format(Instant.parse(Files.readString(note).strip())) + " UTC";
    } catch (IOException failure) {
      throw new UncheckedIOException(failure);
    }
  }
}
