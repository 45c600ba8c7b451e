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
import zealoustarget.core.calendar.Span;
import zealoustarget.core.ladder.Shown;
import zealoustarget.core.ledger.Ledger;
import zealoustarget.core.ledger.query.StandingQuery;
import zealoustarget.core.member.Axis;
import zealoustarget.core.member.Member;
import zealoustarget.core.reading.Figures;
import zealoustarget.core.reading.Standing;
import zealoustarget.server.earnings.EarningsService;
import zealoustarget.server.earnings.EarningsService.PayChange;
import zealoustarget.server.goals.GoalDeskAnswer.DraftAnswer;
import zealoustarget.server.goals.GoalDeskAnswer.MoveAnswer;
import zealoustarget.server.goals.GoalDeskAnswer.PayAnswer;
import zealoustarget.server.ledger.sealing.Seals;
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
  private final GoalSheets sheets;
  private final Seals seals;
  private final QueryReader reader;
  private final EarningsService earnings;
  private final LedgerService ledgers;
  private final RulesService companyRules;

  GoalEffect(
      GoalSheets sheets,
      Seals seals,
      QueryReader reader,
      EarningsService earnings,
      LedgerService ledgers,
      RulesService companyRules) {
    this.sheets = sheets;
    this.seals = seals;
    this.reader = reader;
    this.earnings = earnings;
    this.ledgers = ledgers;
    this.companyRules = companyRules;
  }

  /**
   * What a draft would do, in months that are open and have actuals.
   *
   * @param changes not empty
   * @param before the sum of all goals as they stand, as text; null where there is none
   */
  DraftAnswer of(
      GoalSheet standing,
      GoalSheet drafted,
      List<GoalDrafts.Cell> changes,
      @Nullable String before,
      @Nullable String after) {
    List<YearMonth> touched =
        changes.stream()
            .map(GoalDrafts.Cell::month)
            .distinct()
            .sorted()
            .filter(
                month ->
                    !standing
                        .ledger()
                        .emptyMonths(standing.measure(), Span.of(month))
                        .contains(month))
            .toList();
    List<MoveAnswer> moves = new ArrayList<>();
    List<PayChange> pays = new ArrayList<>();
    for (YearMonth month : touched) {
      if (standing.book().cells().isEmpty()) {
        break; // a set that is new has no statuses to move from
      }
      moves.addAll(moves(standing, drafted, month));
      pays.addAll(pays(drafted, month));
    }
    long change =
        pays.stream().mapToLong(pay -> pay.after() - pay.before()).reduce(0, Math::addExact);
    return new DraftAnswer(
        changes.size(),
        before,
        after,
        stale(standing, changes),
        sentence(changes.size(), touched, moves, change, !pays.isEmpty()),
        moves,
        pays.stream().map(GoalEffect::answer).toList(),
        pays.isEmpty() ? null : PlanPart.cents(change));
  }

  /** What others changed since, in sentences. */
  List<String> stale(GoalSheet standing, List<GoalDrafts.Cell> changes) {
    List<String> stale = new ArrayList<>();
    for (GoalDrafts.Cell cell : changes) {
      Member member = GoalDrafts.known(standing, cell);
      int month = Months.number(cell.month());
      if (member == null) {
        stale.add(GoalsWords.isNotKnown(cell.key()));
      } else if (seals.find(cell.month()).isPresent()) {
        stale.add(GoalsWords.wasClosedSinceKeepsItsGoal(cell.month(), member.name()));
      } else if (!GoalSheets.isSame(standing.amount(member.id(), month), cell.before())) {
        String by = sheets.broughtBy(standing, member.id(), month);
        stale.add(GoalsWords.wasChangedSince(member.name(), cell.month(), by));
      }
    }
    return stale;
  }

  private String sentence(
      int changed, List<YearMonth> touched, List<MoveAnswer> moves, long change, boolean hasPay) {
    String cells = changed == 1 ? GoalsWords.ONE_CELL_CHANGES : GoalsWords.cellsChange(changed);
    if (touched.isEmpty()) {
      return GoalsWords.noMonthWithActuals(cells);
    }
    String moved =
        moves.isEmpty()
            ? GoalsWords.NO_STATUS_MOVES
            : moves.size() == 1
                ? GoalsWords.movesTo(moves.get(0).name(), moves.get(0).after())
                : GoalsWords.statusesMove(moves.size());
    String pay =
        !hasPay
            ? GoalsWords.NO_PAY_CHANGES
            : GoalsWords.payChanges(
                change,
                new Figures(companyRules.current().company().writing())
                    .grouped(PlanPart.cents(Math.abs(change))));
    return GoalsWords.effect(cells, moved, pay);
  }

  /**
   * Rows whose status differs in a month.
   *
   * @param before the sheet as it stands, whose set is there already
   */
  private List<MoveAnswer> moves(GoalSheet before, GoalSheet after, YearMonth month) {
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

  private static PayAnswer answer(PayChange pay) {
    return new PayAnswer(
        pay.rep().key(),
        pay.rep().name(),
        pay.month().toString(),
        PlanPart.cents(pay.before()),
        PlanPart.cents(pay.after()),
        PlanPart.cents(pay.after() - pay.before()));
  }

  /** Reps whose pay for a month differs. */
  private List<PayChange> pays(GoalSheet after, YearMonth month) {
    if (after.axis() != Axis.REP) {
      return List.of();
    }
    Rules rules = companyRules.current();
    Ledger posted = ledgers.posted();
    return earnings.differing(month, rules, posted, rules, posted.withGoals(after.book()));
  }
}
