package zealoustarget.server.rules;

import java.util.Set;
import zealoustarget.server.approval.ProposalWork;

/** What a feature's figures would be by other rules. */
public interface RulesEffect {
  /**
   * What differs in open months with actuals; without a sentence.
   *
   * @param parts names of those parts of a rules file that differ
   * @param tried the rules as they would be
   */
  ProposalWork.Effect of(Set<String> parts, Rules tried);
}
