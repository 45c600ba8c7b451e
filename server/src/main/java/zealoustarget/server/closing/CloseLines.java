package zealoustarget.server.closing;

import java.math.BigDecimal;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.calendar.Span;
import zealoustarget.core.calendar.SpanWords;
import zealoustarget.core.commission.Adjustment;
import zealoustarget.core.commission.PayStatus;
import zealoustarget.core.commission.Statement;
import zealoustarget.core.ladder.Ladder;
import zealoustarget.core.ladder.Shown;
import zealoustarget.core.ledger.Ledger;
import zealoustarget.core.ledger.columns.GoalBook;
import zealoustarget.core.ledger.query.Basis;
import zealoustarget.core.ledger.query.Filters;
import zealoustarget.core.ledger.query.StandingQuery;
import zealoustarget.core.member.Axis;
import zealoustarget.core.member.Member;
import zealoustarget.core.reading.Figures;
import zealoustarget.core.reading.Goal;
import zealoustarget.core.reading.Standing;
import zealoustarget.server.earnings.EarningsService;
import zealoustarget.server.intake.load.LoadState;
import zealoustarget.server.intake.load.MonthLoads;
import zealoustarget.server.intake.load.MonthLoads.MonthLoad;
import zealoustarget.server.ledger.state.LedgerService;
import zealoustarget.server.notes.FollowUps;
import zealoustarget.server.notes.NoteStore;
import zealoustarget.server.rules.Closing;
import zealoustarget.server.rules.Rules;
import zealoustarget.server.rules.RulesService;

/** Computes what is open of each line of the close list; docs/calculations.md, section 11. */
@Component
class CloseLines {
  private final LedgerService ledgers;
  private final RulesService companyRules;
  private final MonthLoads loads;
  private final EarningsService earnings;
  private final NoteStore notes;
  private final FollowUps followUps;
  private final SourceArrivals arrivals;

  CloseLines(
      LedgerService ledgers,
      RulesService companyRules,
      MonthLoads loads,
      EarningsService earnings,
      NoteStore notes,
      FollowUps followUps,
      SourceArrivals arrivals) {
    this.arrivals = arrivals;
    this.ledgers = ledgers;
    this.companyRules = companyRules;
    this.loads = loads;
    this.earnings = earnings;
    this.notes = notes;
    this.followUps = followUps;
  }

  /** What tells one state of a month's loads from another. */
  static String stateOf(List<MonthLoad> loads) {
    return loads.stream()
        .map(load -> key(load) + " " + load.state())
        .collect(Collectors.joining(";"));
  }

  /**
   * What a line found.
   *
   * @param text what it says where nothing is open
   */
  record Found(
      String code,
      String name,
      String figure,
      String text,
      CloseAnswer.@Nullable Action action,
      List<CloseAnswer.Item> open) {
    Set<String> keys() {
      return open.stream().map(CloseAnswer.Item::key).collect(Collectors.toSet());
    }
  }

  /** Everything that one list looks at, read once. */
  private record Looked(
      YearMonth month, Rules rules, Ledger ledger, List<MonthLoad> loads, Figures figures) {
    Closing closing() {
      return rules.company().closing();
    }
  }

  /** The computed lines that lie between arrivals and the company's own, in their order. */
  List<Found> of(YearMonth month) {
    Rules rules = companyRules.current();
    Looked looked =
        new Looked(
            month,
            rules,
            ledgers.posted(),
            loads.of(month),
            new Figures(rules.company().writing()));
    List<Statement> statements = earnings.reckon(month);
    List<Found> found = new ArrayList<>();
    found.add(staged(looked));
    found.add(held(looked));
    found.add(controlTotals(looked));
    found.add(quotas(looked, statements));
    found.add(regionGoals(looked));
    found.add(plans(looked, statements));
    found.add(reasons(looked));
    found.add(adjustments(looked, statements));
    found.add(dueFollowUps(looked));
    return found;
  }

  private static Found staged(Looked looked) {
    List<CloseAnswer.Item> open =
        items(
            looked,
            load -> load.state() == LoadState.STAGED || load.state() == LoadState.RECEIVED,
            load -> CloseWords.linesWait(load.ready()));
    return new Found(
        "staged",
        CloseWords.STAGED,
        Integer.toString(open.size()),
        open.isEmpty() ? CloseWords.NONE_WAITS_TO_BE_POSTED : names(open),
        action(CloseWords.OPEN_LOAD, open),
        open);
  }

  private static Found held(Looked looked) {
    Set<Integer> settled =
        looked.loads().stream()
            .filter(MonthLoad::isPosted)
            .map(MonthLoad::remainderOf)
            .filter(Objects::nonNull)
            .collect(Collectors.toSet());
    List<CloseAnswer.Item> open =
        items(
            looked,
            load -> load.isPosted() && load.held() > 0 && !settled.contains(load.id()),
            load -> CloseWords.heldOf(load.held(), load.lines()));
    int lines =
        looked.loads().stream()
            .filter(load -> open.stream().anyMatch(item -> item.key().equals(key(load))))
            .mapToInt(load -> load.held())
            .sum();
    return new Found(
        "held",
        CloseWords.HELD,
        Integer.toString(lines),
        open.isEmpty() ? "none" : texts(open),
        action(CloseWords.SEE_HELD, open),
        open);
  }

  private static Found controlTotals(Looked looked) {
    List<MonthLoad> given =
        looked.loads().stream()
            .filter(load -> load.isPosted())
            .filter(load -> load.hasControlTotal())
            .toList();
    List<CloseAnswer.Item> open =
        items(
            looked,
            load -> load.isPosted() && !load.isControlTotalMet(),
            load -> CloseWords.postedAlthoughItsControlTotalDiffers(load.because()));
    return new Found(
        "control-totals",
        CloseWords.CONTROL_TOTALS,
        given.isEmpty() ? "–" : CloseWords.partOf(given.size() - open.size(), given.size()),
        given.isEmpty()
            ? CloseWords.NONE_IS_GIVEN
            : open.isEmpty() ? CloseWords.ALL_MATCH : names(open),
        action(CloseWords.OPEN_LOAD, open),
        open);
  }

  private static List<CloseAnswer.Item> items(
      Looked looked, Predicate<MonthLoad> isMeant, Function<MonthLoad, String> text) {
    return looked.loads().stream()
        .filter(isMeant)
        .map(
            load ->
                new CloseAnswer.Item(
                    key(load),
                    load.file(),
                    text.apply(load),
                    null,
                    "/intake?to=" + looked.month() + "&load=" + load.id()))
        .toList();
  }

  private static String key(MonthLoad load) {
    return CloseWords.loadOnHold(load.id(), load.held());
  }

  private static Found quotas(Looked looked, List<Statement> statements) {
    String set = quotaSets(looked).stream().map(Quota::goalSet).findFirst().orElse("quota");
    List<CloseAnswer.Item> open =
        statements.stream()
            .filter(one -> one.status() == PayStatus.NO_QUOTA)
            .map(
                one -> {
                  Member rep = looked.ledger().members().get(Axis.REP, one.rep());
                  return new CloseAnswer.Item(
                      rep.key(),
                      rep.name(),
                      one.facts().sales() == 0
                          ? CloseWords.HAS_PLAN_AND_NO_QUOTA
                          : CloseWords.hasActualsOfWithoutQuota(
                              looked
                                  .figures()
                                  .amount(Ratio.of(one.facts().sales()), planMeasure(looked, one))),
                      null,
                      "/goals?to=" + looked.month() + "&set=" + encoded(set));
                })
            .toList();
    return new Found(
        "quotas",
        CloseWords.QUOTAS,
        Integer.toString(open.size()),
        open.isEmpty() ? CloseWords.EVERY_REP_WITH_PLAN_HAS_ONE : texts(open),
        action(CloseWords.ADD_QUOTA, open),
        open);
  }

  private static Measure planMeasure(Looked looked, Statement statement) {
    String code = Objects.requireNonNull(statement.terms()).plan().measure().code();
    return looked.rules().findMeasure(code).orElseThrow();
  }

  private static Found plans(Looked looked, List<Statement> statements) {
    List<CloseAnswer.Item> open =
        statements.stream()
            .filter(one -> one.status() == PayStatus.NO_PLAN)
            .map(one -> looked.ledger().members().get(Axis.REP, one.rep()))
            .map(
                rep ->
                    new CloseAnswer.Item(
                        rep.key(),
                        rep.name(),
                        CloseWords.HAS_NO_COMMISSION_PLAN,
                        null,
                        "/rules?to=" + looked.month()))
            .toList();
    int with = statements.size() - open.size();
    return new Found(
        "plans",
        CloseWords.PLANS,
        Integer.toString(open.size()),
        open.isEmpty() ? CloseWords.repsHaveOne(with) : texts(open),
        action(CloseWords.ASSIGN_PLAN, open),
        open);
  }

  /** A goal set of reps and its measure, as the plans of a month count it. */
  private record Quota(String goalSet, Measure measure) {}

  /** What the plans in force compare sales with; without plans the sets that reps have goals in. */
  private static List<Quota> quotaSets(Looked looked) {
    Map<String, GoalBook> books = looked.ledger().goalBooks();
    int month = Months.number(looked.month());
    Set<Quota> quotas = new LinkedHashSet<>();
    looked.rules().commission().plans().versions().stream()
        .map(version -> version.plan())
        .forEach(
            plan ->
                looked
                    .rules()
                    .findMeasure(plan.measure().code())
                    .ifPresent(measure -> quotas.add(new Quota(plan.goalSet(), measure))));
    if (quotas.isEmpty()) {
      books.values().stream()
          .filter(book -> book.axis() == Axis.REP)
          .sorted(Comparator.comparing(GoalBook::name))
          .limit(1)
          .forEach(
              book ->
                  book.measures().stream()
                      .map(looked.rules()::findMeasure)
                      .flatMap(Optional::stream)
                      .forEach(measure -> quotas.add(new Quota(book.name(), measure))));
    }
    return quotas.stream()
        .filter(one -> !one.measure().isRate())
        .filter(one -> isOf(books.get(one.goalSet()), Axis.REP, one.measure(), month))
        .toList();
  }

  private static boolean isOf(@Nullable GoalBook book, Axis axis, Measure measure, int month) {
    return book != null
        && book.axis() == axis
        && !book.isRange(measure.code())
        && !book.cells(measure.code(), month, month).isEmpty();
  }

  private static StandingQuery query(Looked looked, Axis axis, Measure measure, String goalSet) {
    return new StandingQuery(
        axis,
        measure,
        Span.of(looked.month()),
        new Basis.Set(goalSet),
        Filters.NONE,
        Ladder.defaultOf(measure.direction()));
  }

  private static Found regionGoals(Looked looked) {
    int month = Months.number(looked.month());
    Ratio limit = looked.closing().overPlanAbove();
    List<CloseAnswer.Item> open = new ArrayList<>();
    Ratio largest = null;
    String largestOf = "";
    for (Quota quota : quotaSets(looked)) {
      for (GoalBook book : looked.ledger().goalBooks().values()) {
        if (!isOf(book, Axis.REGION, quota.measure(), month)) {
          continue;
        }
        StandingQuery query = query(looked, Axis.REGION, quota.measure(), book.name());
        for (Standing.Row row : looked.ledger().standing(query).rows()) {
          Member region = row.member();
          Ratio own = row.reading().comparedWith();
          Ratio sum = amount(looked.ledger().assigned(query, quota.goalSet(), region.id()));
          if (sum == null || own == null || own.signum() <= 0) {
            continue;
          }
          Ratio over = sum.dividedBy(own).minus(Ratio.ONE);
          if (largest == null || over.abs().compareTo(largest.abs()) > 0) {
            largest = over;
            largestOf = region.name();
          }
          if (over.abs().compareTo(limit) > 0) {
            open.add(
                new CloseAnswer.Item(
                    CloseWords.inMonths(region.key(), book.name(), over.toText()),
                    region.name(),
                    CloseWords.quotasAgainst(
                        looked.figures().amount(sum, quota.measure()),
                        looked.figures().amount(own, quota.measure()),
                        book.name()),
                    signed(over),
                    "/goals?to=" + looked.month() + "&set=" + encoded(quota.goalSet())));
          }
        }
      }
    }
    String shown = limit.times(Ratio.of(100)).toText() + " %";
    return new Found(
        "region-goals",
        CloseWords.REGION_GOALS,
        largest == null ? "–" : signed(largest),
        largest == null
            ? CloseWords.NO_REGION_HAS_GOAL
            : open.isEmpty()
                ? CloseWords.noRegionDiffers(shown, largestOf)
                : CloseWords.differ(names(open), open.size(), shown),
        action(CloseWords.OPEN_GOALS, open),
        open);
  }

  private static String signed(Ratio share) {
    return (share.signum() > 0 ? "+" : share.signum() < 0 ? "\u2212" : "")
        + Shown.percent(share.abs())
        + " %";
  }

  private static @Nullable Ratio amount(Goal goal) {
    return goal instanceof Goal.Single single ? single.amount() : null;
  }

  private Found reasons(Looked looked) {
    Ratio limit = looked.closing().missesAbove();
    Set<Integer> noted = notes.inSpan(Span.of(looked.month())).keySet();
    List<CloseAnswer.Item> open = new ArrayList<>();
    int misses = 0;
    Set<Integer> waiting = new HashSet<>();
    for (Quota quota : quotaSets(looked)) {
      Set<Integer> late = arrivals.waiting(Axis.REP, quota.measure(), looked.month());
      for (Standing.Row row :
          looked
              .ledger()
              .standing(query(looked, Axis.REP, quota.measure(), quota.goalSet()))
              .shortRows()) {
        Ratio goal = row.reading().comparedWith();
        Ratio miss = Standing.shortfall(row);
        if (goal == null || goal.signum() <= 0 || miss.dividedBy(goal).compareTo(limit) <= 0) {
          continue;
        }
        if (late.contains(row.member().id())) {
          waiting.add(row.member().id());
          continue; // what has not come is no miss yet
        }
        misses++;
        if (!noted.contains(row.member().id())) {
          open.add(
              new CloseAnswer.Item(
                  row.member().key(),
                  row.member().name(),
                  CloseWords.shortOf(Shown.percent(miss.dividedBy(goal)), quota.goalSet()),
                  looked.figures().amount(miss, quota.measure()),
                  "/standing?to="
                      + looked.month()
                      + "&against="
                      + encoded("set:" + quota.goalSet())
                      + "&selected="
                      + encoded(row.member().key())));
        }
      }
    }
    String shown = limit.times(Ratio.of(100)).toText() + " %";
    return new Found(
        "reasons",
        CloseWords.REASONS,
        Integer.toString(open.size()),
        misses == 0
            ? CloseWords.noRepMisses(shown)
            : CloseWords.repsMiss(misses, shown, names(open), waiting.size()),
        action(CloseWords.GIVE_REASON, open),
        open);
  }

  /** Corrections of closed months that this month's pay settles: said, never open. */
  private static Found adjustments(Looked looked, List<Statement> statements) {
    List<String> words = new ArrayList<>();
    long sum = 0;
    for (Statement statement : statements) {
      for (Adjustment adjustment : statement.adjustments()) {
        sum = Math.addExact(sum, adjustment.amount());
        words.add(
            looked.ledger().members().get(Axis.REP, statement.rep()).name()
                + ", "
                + SpanWords.name(Months.of(adjustment.through())));
      }
    }
    return new Found(
        "adjustments",
        CloseWords.ADJUSTMENTS,
        words.isEmpty() ? "0" : looked.figures().grouped(cents(sum)),
        words.isEmpty() ? "none" : CloseWords.names(words, 3),
        null,
        List.of());
  }

  private static String cents(long cents) {
    return BigDecimal.valueOf(cents, 2).toPlainString();
  }

  private Found dueFollowUps(Looked looked) {
    List<FollowUps.FollowUp> due = followUps.openUntil(looked.month().atEndOfMonth());
    List<CloseAnswer.Item> open =
        due.stream()
            .map(
                one ->
                    new CloseAnswer.Item(
                        CloseWords.followUp(one.id()),
                        one.what(),
                        CloseWords.until(
                            one.memberName(),
                            SpanWords.name(one.month()),
                            one.who(),
                            CloseWords.day(one.due())),
                        null,
                        "/standing?to="
                            + one.month()
                            + "&axis="
                            + one.axis().word()
                            + "&selected="
                            + encoded(one.memberKey())))
            .toList();
    return new Found(
        "follow-ups",
        CloseWords.FOLLOW_UPS,
        Integer.toString(open.size()),
        open.isEmpty() ? CloseWords.NONE_IS_DUE : names(open),
        action(CloseWords.OPEN_FOLLOW_UP, open),
        open);
  }

  private static String names(List<CloseAnswer.Item> items) {
    return CloseWords.names(items.stream().map(CloseAnswer.Item::name).toList(), 3);
  }

  private static String texts(List<CloseAnswer.Item> items) {
    return items.size() == 1 ? items.get(0).name() + ": " + items.get(0).text() : names(items);
  }

  private static CloseAnswer.@Nullable Action action(String words, List<CloseAnswer.Item> open) {
    return open.isEmpty()
        ? null
        : new CloseAnswer.Action(words, Objects.requireNonNull(open.get(0).address()));
  }

  private static String encoded(String text) {
    return URLEncoder.encode(text, StandardCharsets.UTF_8);
  }
}
