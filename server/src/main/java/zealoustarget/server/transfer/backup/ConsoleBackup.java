package zealoustarget.server.transfer.backup;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.context.annotation.Profile;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import zealoustarget.server.access.accounts.CurrentAccount;

/** Backs a data folder up that no server has open, for {@code ./run backup FILE}. */
@Component
@Profile("backup")
@Order(2)
class ConsoleBackup implements ApplicationRunner {
  private final BackupService backups;
  private final String target;

  ConsoleBackup(BackupService backups, @Value("${zealous.backup-to}") String target) {
    this.backups = backups;
    this.target = target;
  }

  @Override
  public void run(ApplicationArguments arguments) throws IOException {
    BackupService.Kept made = CurrentAccount.getAsSystem("console", backups::make);
    Files.move(backups.file(made.name()), Path.of(target));
    System.out.println(BackupWords.backedUpToBytes(target, made.bytes()));
  }
}
