package zealoustarget.server.rules;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;
import zealoustarget.core.Refusal;
import zealoustarget.server.approval.ProposalKind;
import zealoustarget.server.approval.ProposalWork;
import zealoustarget.server.audit.Audit;
import zealoustarget.server.audit.AuditKind;

/** Rules files that wait for a second person. */
@Component
class RulesProposals implements ProposalWork {
  private static final JsonMapper JSON = new JsonMapper();

  private final RulesService companyRules;
  private final ObjectProvider<RulesEffect> effects; // of features above this one
  private final Audit audit;

  RulesProposals(RulesService companyRules, ObjectProvider<RulesEffect> effects, Audit audit) {
    this.effects = effects;
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
    return new Outline(changes.size(), changes.stream().map(RulesChange::line).toList(), null);
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
          .map(RulesChange::words)
          .forEach(moved::add);
      now.stream()
          .filter(
              change ->
                  proposal.changes().stream().noneMatch(one -> one.part().equals(change.part())))
          .map(RulesChange::words)
          .forEach(moved::add);
      return List.of(
          RulesWords.rulesItChangesWereChangedSince(
              String.join(", ", moved.stream().distinct().toList()), lastBy()));
    } catch (Refusal refusal) {
      return List.of(RulesWords.rulesDoNotFit(refusal.getMessage()));
    }
  }

  private String lastBy() {
    return audit.entries("", AuditKind.RULES_CHANGED, 0, 1).stream()
        .map(last -> RulesWords.by(last.by()))
        .findFirst()
        .orElse("");
  }

  @Override
  public Effect effect(ProposalKind kind, String content) {
    RulesProposal proposal = read(content);
    Set<String> parts =
        proposal.changes().stream().map(RulesChange::part).collect(Collectors.toSet());
    List<Line> moves = new ArrayList<>();
    List<Line> pay = new ArrayList<>();
    try {
      Rules tried = companyRules.read(proposal.file());
      effects.stream()
          .map(one -> one.of(parts, tried))
          .forEach(
              effect -> {
                moves.addAll(effect.moves());
                pay.addAll(effect.pay());
              });
    } catch (Refusal refusal) {
      return Effect.NONE; // it is stale, which is said
    }
    return new Effect(sentence(moves.size(), pay.size()), moves, pay);
  }

  private static String sentence(int moves, int pays) {
    return RulesWords.effect(moves, pays);
  }

  @Override
  public @Nullable Integer apply(
      ProposalKind kind, String content, String maker, Runnable together) {
    companyRules.put(companyRules.read(read(content).file()), together);
    return null;
  }
}
