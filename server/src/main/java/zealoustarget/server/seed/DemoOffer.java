package zealoustarget.server.seed;

import java.nio.file.Path;
import java.util.concurrent.locks.ReentrantLock;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;
import zealoustarget.core.Refusal;
import zealoustarget.server.intake.posting.LoadService;
import zealoustarget.server.rules.RulesService;

/**
 * The made-up company that a new data folder can be filled with from the page, from {@code
 * zealous.demo-dir}. It is offered while nothing at all is there, as it cannot be taken out again.
 */
@Component
class DemoOffer {
  private final String folder;
  private final SeedFolder seeds;
  private final LoadService loads;
  private final RulesService companyRules;
  private final ReentrantLock one = new ReentrantLock();

  DemoOffer(
      @Value("${zealous.demo-dir:}") String folder,
      SeedFolder seeds,
      LoadService loads,
      RulesService companyRules) {
    this.folder = folder;
    this.seeds = seeds;
    this.loads = loads;
    this.companyRules = companyRules;
  }

  boolean isOffered() {
    return !folder.isBlank() && loads.isEmpty() && !companyRules.current().company().isNamed();
  }

  /**
   * Fills the data folder.
   *
   * @throws Refusal demo-not-offered where something is there already, or it is being filled
   */
  void load() {
    if (!one.tryLock()) {
      throw refused(SeedWords.DEMO_COMPANY_IS_BEING_LOADED);
    }
    try {
      if (!isOffered()) {
        throw refused(SeedWords.DEMO_COMPANY_IS_FOR_EMPTY_START);
      }
      seeds.seed(Path.of(folder));
    } finally {
      one.unlock();
    }
  }

  private static Refusal refused(String words) {
    return Refusal.of("demo-not-offered", words);
  }
}
