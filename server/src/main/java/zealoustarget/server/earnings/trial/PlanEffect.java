package zealoustarget.server.earnings.trial;

import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Set;
import org.springframework.stereotype.Component;
import zealoustarget.core.calendar.Span;
import zealoustarget.core.calendar.SpanWords;
import zealoustarget.core.ledger.Ledger;
import zealoustarget.server.approval.ProposalWork;
import zealoustarget.server.earnings.EarningsService;
import zealoustarget.server.ledger.sealing.Seals;
import zealoustarget.server.ledger.state.LedgerService;
import zealoustarget.server.rules.PlanPart;
import zealoustarget.server.rules.Rules;
import zealoustarget.server.rules.RulesEffect;
import zealoustarget.server.rules.RulesService;

/** Whose pay other plans, assignments or credit splits would change. */
@Component
class PlanEffect implements RulesEffect {
  private static final Set<String> PARTS = Set.of("plans", "assignments", "credits", "calendar");
  private static final int MONTHS = 3;

  private final EarningsService earnings;
  private final RulesService companyRules;
  private final LedgerService ledgers;
  private final Seals seals;

  PlanEffect(
      EarningsService earnings, RulesService companyRules, LedgerService ledgers, Seals seals) {
    this.earnings = earnings;
    this.companyRules = companyRules;
    this.ledgers = ledgers;
    this.seals = seals;
  }

  @Override
  public ProposalWork.Effect of(Set<String> parts, Rules tried) {
    Span posted = ledgers.posted().monthsWithActuals();
    if (posted == null || Collections.disjoint(parts, PARTS)) {
      return ProposalWork.Effect.NONE;
    }
    Ledger ledger = ledgers.posted();
    List<ProposalWork.Line> pay = new ArrayList<>();
    for (YearMonth month : Span.ending(posted.toInclusive(), MONTHS).months()) {
      if (seals.find(month).isPresent()) {
        continue;
      }
      earnings
          .differing(month, companyRules.current(), ledger, tried, ledger)
          .forEach(
              change ->
                  pay.add(
                      new ProposalWork.Line(
                          change.rep().name() + ", " + SpanWords.name(month),
                          PlanPart.cents(change.before()),
                          PlanPart.cents(change.after()))));
    }
    return new ProposalWork.Effect(null, List.of(), pay);
  }
}
