package zealoustarget.server.goals;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import zealoustarget.core.Refusal;
import zealoustarget.core.commission.Bound;
import zealoustarget.core.commission.PlanBook;
import zealoustarget.core.member.KeyText;
import zealoustarget.server.approval.Proposals;
import zealoustarget.server.audit.Audit;
import zealoustarget.server.audit.AuditKind;
import zealoustarget.server.ledger.sealing.Seal;
import zealoustarget.server.ledger.sealing.Seals;
import zealoustarget.server.ledger.state.LedgerService;
import zealoustarget.server.masterdata.GoalSets;
import zealoustarget.server.platform.state.DataState;
import zealoustarget.server.rules.Rules;
import zealoustarget.server.rules.RulesService;
import zealoustarget.server.views.ViewStore;

/** Renames and retires goal sets. */
@Service
class GoalSetChanges {
  private final GoalSets sets;
  private final GoalDraftRepository drafts;
  private final ViewStore views;
  private final LedgerService ledgers;
  private final RulesService companyRules;
  private final Proposals proposals;
  private final Seals seals;
  private final DataState state;
  private final TransactionTemplate transactions;
  private final Audit audit;

  GoalSetChanges(
      GoalSets sets,
      GoalDraftRepository drafts,
      ViewStore views,
      LedgerService ledgers,
      RulesService companyRules,
      Proposals proposals,
      Seals seals,
      DataState state,
      TransactionTemplate transactions,
      Audit audit) {
    this.sets = sets;
    this.drafts = drafts;
    this.views = views;
    this.ledgers = ledgers;
    this.companyRules = companyRules;
    this.proposals = proposals;
    this.seals = seals;
    this.state = state;
    this.transactions = transactions;
    this.audit = audit;
  }

  /**
   * Gives a set another name: its goals, drafts and saved views go with it.
   *
   * @throws Refusal goal-set-unknown; goal-set-exists; goal-set-in-use where rules, closed months
   *     or waiting proposals name it, as what was decided by a name keeps that name
   */
  GoalSets.GoalSet rename(String goalSet, String newName) {
    String to = GoalSets.name(newName);
    return state.getInTurn(
        () -> {
          GoalSets.GoalSet set = known(goalSet);
          if (set.name().equals(to)) {
            return set;
          }
          if (sets.find(to).filter(other -> !other.name().equals(set.name())).isPresent()) {
            throw Refusal.of("goal-set-exists", GoalsWords.goalSetAlready(to));
          }
          checkUnused(set.name());
          LedgerService.Prepared prepared = ledgers.withGoalSetNamed(set.name(), to);
          transactions.executeWithoutResult(
              status -> {
                sets.rename(set.name(), to);
                drafts.rename(set.name(), to);
                views.renameGoalSet(set.name(), to);
                audit.add(
                    AuditKind.GOAL_SET,
                    set.name(),
                    GoalsWords.namedBefore(set.name()),
                    GoalsWords.namedBefore(to));
              });
          ledgers.apply(prepared);
          return known(to);
        });
  }

  /** Takes a set out of what is offered, or back; its goals stay; goal-set-unknown. */
  GoalSets.GoalSet retire(String goalSet, boolean isRetired) {
    return state.getInTurn(
        () -> {
          GoalSets.GoalSet set = known(goalSet);
          if (set.isRetired() == isRetired) {
            return set;
          }
          transactions.executeWithoutResult(
              status -> {
                sets.retire(set.name(), isRetired);
                audit.add(AuditKind.GOAL_SET, set.name(), word(set.isRetired()), word(isRetired));
              });
          state.swap(new DataState.Next());
          return known(goalSet);
        });
  }

  private static String word(boolean isRetired) {
    return isRetired ? "retired" : GoalsWords.IN_USE;
  }

  private GoalSets.GoalSet known(String name) {
    return sets.find(name)
        .orElseThrow(
            () -> Refusal.of("goal-set-unknown", GoalsWords.noGoalSet(name)).with("goalSet", name));
  }

  private void checkUnused(String name) {
    List<String> users = new ArrayList<>(users(companyRules.current(), name));
    for (Seal seal : seals.inForce()) {
      if (!users(companyRules.asFrozen(seal.rules()), name).isEmpty()) {
        users.add(GoalsWords.closedMonth(seal.month()));
      }
    }
    if (proposals.isWaiting()) {
      users.add(GoalsWords.PROPOSALS_THAT_WAIT_FOR_DECISION);
    }
    if (!users.isEmpty()) {
      throw Refusal.of("goal-set-in-use", GoalsWords.keepsItsName(name, String.join(", ", users)))
          .with("goalSet", name);
    }
  }

  /** What of the rules names a set, in words. */
  private static List<String> users(Rules rules, String name) {
    Stream<String> thresholds =
        rules.ladders().stream()
            .filter(one -> isSame(one.to().goalSet(), name))
            .map(one -> GoalsWords.STATUS_THRESHOLDS);
    Stream<String> shading =
        rules.shadings().stream()
            .filter(one -> isSame(one.to().goalSet(), name))
            .map(one -> GoalsWords.SHADING_LIMITS);
    Stream<String> stretches =
        rules.stretches().stream()
            .filter(one -> isSame(one.to().goalSet(), name))
            .map(one -> GoalsWords.STRETCHES_BEHIND_LANES);
    Stream<String> plans =
        rules.commission().plans().versions().stream()
            .map(PlanBook.Version::plan)
            .filter(
                plan ->
                    isSame(plan.goalSet(), name)
                        || plan.ceiling() instanceof Bound.OfSet of && isSame(of.goalSet(), name)
                        || plan.floor() instanceof Bound.OfSet set && isSame(set.goalSet(), name))
            .map(plan -> GoalsWords.commissionPlan(plan.name()));
    return Stream.of(plans, thresholds, shading, stretches).flatMap(all -> all).distinct().toList();
  }

  private static boolean isSame(@Nullable String named, String name) {
    return named != null && KeyText.isSame(named, name);
  }
}
