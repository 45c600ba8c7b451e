package zealoustarget.server.intake;

import org.springframework.stereotype.Component;
import zealoustarget.server.playbook.PlaybookService;

/** Puts together what is told of a load. */
@Component
class LoadAnswers {
  private final LoadStore store;
  private final LoadJobs jobs;
  private final PlaybookService playbooks;

  LoadAnswers(LoadStore store, LoadJobs jobs, PlaybookService playbooks) {
    this.store = store;
    this.jobs = jobs;
    this.playbooks = playbooks;
  }

  /** A load without its findings. */
  LoadAnswer brief(LoadEntity load) {
    return LoadAnswer.of(load, playbooks.current(), jobs.find(load.id).orElse(null), null, null);
  }

  /** A load with its first 1,000 findings about lines and columns. */
  LoadAnswer whole(int id) {
    LoadEntity load = store.get(id);
    return LoadAnswer.of(
        load,
        playbooks.current(),
        jobs.find(id).orElse(null),
        store.lineFindings(id, LoadAnswer.MOST_FINDINGS),
        store.findSame(load.contentHash, id).orElse(null));
  }
}
