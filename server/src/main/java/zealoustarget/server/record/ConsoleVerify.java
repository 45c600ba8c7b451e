package zealoustarget.server.record;

import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.boot.ExitCodeGenerator;
import org.springframework.context.annotation.Profile;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/**
 * Says of a data folder that no server has open whether it is whole, for {@code ./run verify}; by
 * then all rows have been read.
 */
@Component
@Profile("verify")
@Order(2)
class ConsoleVerify implements ApplicationRunner, ExitCodeGenerator {
  private final RecordService record;
  private boolean isWhole;

  ConsoleVerify(RecordService record) {
    this.record = record;
  }

  @Override
  public void run(ApplicationArguments arguments) {
    RecordService.RecordAnswer found = record.verify();
    isWhole = found.isWhole();
    System.out.printf(
        RecordWords.VERIFIED,
        found.entries(),
        found.seals(),
        isWhole ? RecordWords.ALL_AS_THEY_WERE_WRITTEN : RecordWords.NOT_AS_THEY_WERE_WRITTEN);
    found.faults().forEach(fault -> System.out.println("- " + fault));
    System.out.println(RecordWords.headOfRecord(found.head()));
  }

  @Override
  public int getExitCode() {
    return isWhole ? 0 : 1;
  }
}
