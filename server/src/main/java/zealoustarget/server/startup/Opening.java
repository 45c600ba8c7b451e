package zealoustarget.server.startup;

import java.util.List;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import zealoustarget.server.access.accounts.CurrentAccount;
import zealoustarget.server.intake.posting.LoadService;
import zealoustarget.server.platform.state.Readiness;

/** Opens the data at the start: the ledger is read, then requests are taken. */
@Component
@Order(1)
class Opening implements ApplicationRunner {
  private final LoadService loads;
  private final List<FirstData> firstData;
  private final Readiness readiness;

  Opening(LoadService loads, List<FirstData> firstData, Readiness readiness) {
    this.loads = loads;
    this.firstData = firstData;
    this.readiness = readiness;
  }

  @Override
  public void run(ApplicationArguments arguments) {
    CurrentAccount.asSystem("demo", this::open);
  }

  private void open() {
    loads.open();
    if (loads.isEmpty()) {
      firstData.forEach(FirstData::fill);
    }
    readiness.open();
  }
}
