package zealoustarget.server.standing.insights;

import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Set;
import org.springframework.stereotype.Component;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.calendar.Span;
import zealoustarget.core.calendar.SpanWords;
import zealoustarget.core.ledger.columns.GoalBook;
import zealoustarget.server.approval.ProposalWork;
import zealoustarget.server.ledger.sealing.Seals;
import zealoustarget.server.ledger.state.LedgerService;
import zealoustarget.server.masterdata.GoalSets;
import zealoustarget.server.rules.Rules;
import zealoustarget.server.rules.RulesEffect;
import zealoustarget.server.standing.query.QueryReader;
import zealoustarget.server.standing.query.ResolvedQuery;
import zealoustarget.server.standing.query.StandingParameters;

/** Which statuses other thresholds would change in the last open month, set by set. */
@Component
class LadderEffect implements RulesEffect {
  private static final Set<String> PARTS = Set.of("ladders", "measures");

  private final QueryReader reader;
  private final LedgerService ledgers;
  private final GoalSets goalSets;
  private final Seals seals;

  LadderEffect(QueryReader reader, LedgerService ledgers, GoalSets goalSets, Seals seals) {
    this.reader = reader;
    this.ledgers = ledgers;
    this.goalSets = goalSets;
    this.seals = seals;
  }

  @Override
  public ProposalWork.Effect of(Set<String> parts, Rules tried) {
    Span posted = ledgers.posted().monthsWithActuals();
    if (posted == null
        || Collections.disjoint(parts, PARTS)
        || seals.find(posted.toInclusive()).isPresent()) {
      return ProposalWork.Effect.NONE;
    }
    YearMonth month = posted.toInclusive();
    List<ProposalWork.Line> moves = new ArrayList<>();
    for (GoalSets.GoalSet set : goalSets.all()) {
      GoalBook book = ledgers.posted().goalBooks().get(set.name());
      for (Measure measure : tried.measures()) {
        if (book != null && book.measures().contains(measure.code())) {
          moves.addAll(moves(set, measure, month, tried));
        }
      }
    }
    return new ProposalWork.Effect(null, moves, List.of());
  }

  private List<ProposalWork.Line> moves(
      GoalSets.GoalSet set, Measure measure, YearMonth month, Rules tried) {
    ResolvedQuery asked =
        reader.read(StandingParameters.of(set.axis().word(), measure.code(), month, set.name()));
    return StatusMove.between(
            asked.ledger().standing(asked.query()).rows(),
            asked.ledger().standing(asked.query().withLadder(asked.ladder(tried))).rows())
        .stream()
        .map(
            move ->
                new ProposalWork.Line(
                    move.before().member().name()
                        + ", "
                        + set.name()
                        + ", "
                        + SpanWords.name(month),
                    move.wordBefore(),
                    move.wordAfter()))
        .toList();
  }
}
