package zealoustarget.server.intake.posting;

import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import zealoustarget.core.Refusal;
import zealoustarget.server.intake.checking.Together;
import zealoustarget.server.intake.load.LoadEntity;
import zealoustarget.server.intake.load.LoadState;
import zealoustarget.server.intake.load.LoadStore;
import zealoustarget.server.intake.upload.StagingService;

/** Staged loads with lines on hold: they are checked again once what is known has changed. */
@Component
public class HeldLoads {
  private static final Logger LOG = LoggerFactory.getLogger(HeldLoads.class);

  private final LoadStore store;
  private final StagingService staging;

  HeldLoads(LoadStore store, StagingService staging) {
    this.store = store;
    this.staging = staging;
  }

  /**
   * Checks them again. Long work goes on beside the request; a load that is worked on, or that can
   * no longer be read, stays as it is, and can be checked again by hand.
   *
   * @param checkedBy the load that the caller checks itself; 0 for none
   */
  public void checkAgain(int checkedBy) {
    for (LoadEntity load : store.inState(LoadState.STAGED)) {
      if (load.held > 0 && load.id != checkedBy) {
        try {
          staging.checkAgain(load.id, Together.NOTHING);
        } catch (Refusal refused) {
          LOG.info("load {} was not checked again: {}", load.id, refused.getMessage());
        }
      }
    }
  }
}
