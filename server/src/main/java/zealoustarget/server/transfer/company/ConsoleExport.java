package zealoustarget.server.transfer.company;

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

/** Exports a data folder that no server has open, for {@code ./run export FILE}. */
@Component
@Profile("export")
@Order(2)
class ConsoleExport implements ApplicationRunner {
  private final CompanyExport exports;
  private final Path target;

  ConsoleExport(CompanyExport exports, @Value("${zealous.export-to}") String target) {
    this.exports = exports;
    this.target = Path.of(target);
  }

  @Override
  public void run(ApplicationArguments arguments) throws IOException {
    Files.move(CurrentAccount.getAsSystem("console", exports::make), target);
    System.out.println(CompanyWords.exportedToBytes(target, Files.size(target)));
  }
}
