package zealoustarget.server.intake.posting;

import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import zealoustarget.server.intake.load.LoadEntity;
import zealoustarget.server.intake.load.LoadStore;
import zealoustarget.server.rules.RulesService;

/** Puts together what is told of a load. */
@Component
public class LoadAnswers {
  private final LoadStore store;
  private final LoadJobs jobs;
  private final RulesService companyRules;

  LoadAnswers(LoadStore store, LoadJobs jobs, RulesService companyRules) {
    this.store = store;
    this.jobs = jobs;
    this.companyRules = companyRules;
  }

  /** A load without its findings. */
  LoadAnswer brief(LoadEntity load) {
    return LoadAnswer.of(
        load, companyRules.current(), jobs.find(load.id).orElse(null), problem(load), null, null);
  }

  /** Why it could not be staged, or why a change of it was refused. */
  private LoadAnswer.@Nullable ProblemAnswer problem(LoadEntity load) {
    return load.problemCode != null
        ? new LoadAnswer.ProblemAnswer(load.problemCode, load.problem)
        : jobs.refusedLate(load.id)
            .map(late -> new LoadAnswer.ProblemAnswer(late.code(), late.getMessage()))
            .orElse(null);
  }

  /** A load with its first 1,000 findings about lines and columns. */
  public LoadAnswer whole(int id) {
    LoadEntity load = store.get(id);
    return LoadAnswer.of(
        load,
        companyRules.current(),
        jobs.find(id).orElse(null),
        problem(load),
        store.lineFindings(id, LoadAnswer.MOST_FINDINGS),
        store.findSame(load.contentHash, id).orElse(null));
  }
}
