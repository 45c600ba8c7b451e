package zealoustarget.server.rules;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;
import zealoustarget.core.Refusal;
import zealoustarget.server.approval.ProposalKind;
import zealoustarget.server.approval.ProposalWork;
import zealoustarget.server.audit.Audit;
import zealoustarget.server.audit.AuditKind;
import zealoustarget.server.audit.AuditWords;

/** Rules files that wait for a second person. */
@Component
class RulesProposals implements ProposalWork {
  private static final JsonMapper JSON = new JsonMapper();

  private final RulesService companyRules;
  private final Audit audit;

  RulesProposals(RulesService companyRules, Audit audit) {
    this.companyRules = companyRules;
    this.audit = audit;
  }

  @Override
  public Set<ProposalKind> kinds() {
    return Set.of(ProposalKind.RULES);
  }

  private static RulesProposal read(String content) {
    return JSON.readValue(content, RulesProposal.class);
  }

  @Override
  public Outline outline(ProposalKind kind, String content) {
    List<RulesChange> changes = read(content).changes();
    return new Outline(
        changes.size(),
        changes.stream()
            .map(
                change -> {
                  AuditWords.Change words = AuditWords.of(change.before(), change.after());
                  return new Line(change.part(), words.before(), words.after());
                })
            .toList(),
        null);
  }

  /** It has moved where the file would no longer change the same from the same. */
  @Override
  public List<String> stale(ProposalKind kind, String content) {
    RulesProposal proposal = read(content);
    try {
      List<RulesChange> now =
          RulesChange.between(companyRules.current(), companyRules.read(proposal.file()));
      if (now.equals(proposal.changes())) {
        return List.of();
      }
      List<String> moved = new ArrayList<>();
      proposal.changes().stream()
          .filter(change -> !now.contains(change))
          .map(RulesChange::part)
          .forEach(moved::add);
      now.stream()
          .map(RulesChange::part)
          .filter(part -> proposal.changes().stream().noneMatch(one -> one.part().equals(part)))
          .forEach(moved::add);
      return List.of(
          "The rules it changes ("
              + String.join(", ", moved.stream().distinct().toList())
              + ") were changed since"
              + lastBy()
              + ".");
    } catch (Refusal refusal) {
      return List.of("The rules do not fit any more: " + refusal.getMessage());
    }
  }

  private String lastBy() {
    return audit.entries("", AuditKind.RULES_CHANGED, 0, 1).stream()
        .map(last -> " by " + last.by())
        .findFirst()
        .orElse("");
  }

  /** What rules would do is tried with the controls of their desks. */
  @Override
  public Effect effect(ProposalKind kind, String content) {
    return Effect.NONE;
  }

  @Override
  public @Nullable Integer apply(
      ProposalKind kind, String content, String maker, Runnable together) {
    companyRules.put(companyRules.read(read(content).file()), together);
    return null;
  }
}
