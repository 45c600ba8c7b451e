package zealoustarget.server.goals;

import java.time.YearMonth;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.commission.Statement;
import zealoustarget.core.ladder.Shown;
import zealoustarget.core.ledger.Ledger;
import zealoustarget.core.ledger.query.StandingQuery;
import zealoustarget.core.member.Axis;
import zealoustarget.core.member.Member;
import zealoustarget.core.reading.Standing;
import zealoustarget.server.earnings.EarningsService;
import zealoustarget.server.goals.GoalDeskAnswer.MoveAnswer;
import zealoustarget.server.goals.GoalDeskAnswer.PayAnswer;
import zealoustarget.server.ledger.state.LedgerService;
import zealoustarget.server.rules.PlanPart;
import zealoustarget.server.rules.Rules;
import zealoustarget.server.rules.RulesService;
import zealoustarget.server.standing.query.QueryReader;
import zealoustarget.server.standing.query.StandingParameters;

/**
 * What drafted goals would change before they are applied: every row read both ways;
 * docs/calculations.md, section 8.
 */
@Service
class GoalEffect {
  private final QueryReader reader;
  private final EarningsService earnings;
  private final LedgerService ledgers;
  private final RulesService companyRules;

  GoalEffect(
      QueryReader reader,
      EarningsService earnings,
      LedgerService ledgers,
      RulesService companyRules) {
    this.reader = reader;
    this.earnings = earnings;
    this.ledgers = ledgers;
    this.companyRules = companyRules;
  }

  /**
   * Rows whose status differs in a month.
   *
   * @param before the sheet as it stands, whose set is there already
   */
  List<MoveAnswer> moves(GoalSheet before, GoalSheet after, YearMonth month) {
    StandingQuery query =
        reader
            .read(
                StandingParameters.of(
                    before.axis().word(), before.measure().code(), month, before.goalSet()))
            .query();
    Map<Integer, Standing.Row> then = new HashMap<>();
    before.ledger().standing(query).rows().forEach(row -> then.put(row.member().id(), row));
    List<MoveAnswer> moves = new ArrayList<>();
    for (Standing.Row row : after.ledger().standing(query).rows()) {
      Standing.Row earlier = then.get(row.member().id());
      if (earlier != null && !word(earlier).equals(word(row))) {
        moves.add(
            new MoveAnswer(
                row.member().key(),
                row.member().name(),
                month.toString(),
                word(earlier),
                tone(earlier),
                word(row),
                tone(row),
                attainment(earlier, query),
                attainment(row, query)));
      }
    }
    return moves;
  }

  private static String word(Standing.Row row) {
    return row.spoken().status().word();
  }

  private static String tone(Standing.Row row) {
    return row.spoken().status().tone().name().toLowerCase(Locale.ROOT);
  }

  private static @Nullable String attainment(Standing.Row row, StandingQuery query) {
    var attainment = row.spoken().reading().attainment();
    return attainment == null ? null : Shown.percent(attainment, query.ladder());
  }

  /** A rep's pay for a month, before and after, in cents. */
  record Pay(Member rep, YearMonth month, long before, long after) {
    PayAnswer answer() {
      return new PayAnswer(
          rep.key(),
          rep.name(),
          month.toString(),
          PlanPart.cents(before),
          PlanPart.cents(after),
          PlanPart.cents(after - before));
    }
  }

  /** Reps whose pay for a month differs. */
  List<Pay> pays(GoalSheet after, YearMonth month) {
    if (after.axis() != Axis.REP) {
      return List.of();
    }
    Rules rules = companyRules.current();
    Ledger posted = ledgers.posted();
    Ledger tried = posted.withGoals(after.book());
    Map<Integer, Long> before = parts(posted, month, rules);
    List<Pay> pays = new ArrayList<>();
    parts(tried, month, rules)
        .forEach(
            (rep, cents) -> {
              long then = before.getOrDefault(rep, 0L);
              if (then != cents) {
                pays.add(new Pay(posted.members().get(Axis.REP, rep), month, then, cents));
              }
            });
    return pays;
  }

  /** What a month adds to each rep's pay. */
  private Map<Integer, Long> parts(Ledger ledger, YearMonth month, Rules rules) {
    Map<Integer, Long> earlier = new HashMap<>();
    List<Statement> now = earnings.unsealed(month, rules, ledger);
    if (now.stream().anyMatch(one -> one.windowFrom() < Months.number(month))) {
      earnings
          .unsealed(month.minusMonths(1), rules, ledger)
          .forEach(one -> earlier.put(one.rep(), earned(one)));
    }
    Map<Integer, Long> parts = new HashMap<>();
    for (Statement one : now) {
      long before = one.windowFrom() < one.month() ? earlier.getOrDefault(one.rep(), 0L) : 0;
      parts.put(one.rep(), Math.subtractExact(earned(one), before));
    }
    return parts;
  }

  private static long earned(Statement one) {
    return one.pay() == null ? 0 : one.pay().earned();
  }
}
