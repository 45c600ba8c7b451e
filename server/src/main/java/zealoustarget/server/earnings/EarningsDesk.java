package zealoustarget.server.earnings;

import io.swagger.v3.oas.annotations.media.Schema;
import java.math.BigInteger;
import java.math.RoundingMode;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.function.Function;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import zealoustarget.core.Refusal;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.calendar.Span;
import zealoustarget.core.commission.Pay;
import zealoustarget.core.commission.Plan;
import zealoustarget.core.commission.Statement;
import zealoustarget.core.ladder.Ladder;
import zealoustarget.core.ladder.Tone;
import zealoustarget.core.ledger.Ledger;
import zealoustarget.core.ledger.query.Basis;
import zealoustarget.core.ledger.query.Filters;
import zealoustarget.core.ledger.query.StandingQuery;
import zealoustarget.core.member.Axis;
import zealoustarget.core.member.Member;
import zealoustarget.core.reading.Goal;
import zealoustarget.core.reading.Reading;
import zealoustarget.server.earnings.EarningsRow.ComponentPart;
import zealoustarget.server.earnings.EarningsRow.NextPart;
import zealoustarget.server.earnings.statements.StatementLines;
import zealoustarget.server.intake.posting.LoadService;
import zealoustarget.server.ledger.sealing.Seals;
import zealoustarget.server.ledger.state.LedgerService;
import zealoustarget.server.platform.http.Pages;
import zealoustarget.server.platform.http.WordsOf;
import zealoustarget.server.rules.PlanPart;
import zealoustarget.server.rules.Rules;
import zealoustarget.server.rules.RulesService;

/** What the earnings desk shows beyond the rows. */
@Service
class EarningsDesk {
  private static final int PAGE = 50;
  private static final int MONTHS_OF_ORDERS = 3;

  private final EarningsService earnings;
  private final CommissionBudget budgets;
  private final LedgerService ledgers;
  private final RulesService companyRules;
  private final LoadService loads;
  private final Seals seals;

  EarningsDesk(
      EarningsService earnings,
      CommissionBudget budgets,
      LedgerService ledgers,
      RulesService companyRules,
      LoadService loads,
      Seals seals) {
    this.earnings = earnings;
    this.budgets = budgets;
    this.ledgers = ledgers;
    this.companyRules = companyRules;
    this.loads = loads;
    this.seals = seals;
  }

  /**
   * A month of commission.
   *
   * @param state open or sealed
   * @param isRunning whether working days of the month are still to come
   * @param budget what was planned for commission; null where no goal set has it
   * @param trial what is tried and not in force; null where nothing is
   */
  record DeskAnswer(
      String month,
      @Schema(allowableValues = {"open", "sealed"}) String state,
      boolean isRunning,
      String currency,
      String headline,
      Totals totals,
      @Nullable Budget budget,
      @Nullable TrialPart trial,
      List<EarningsRow> rows) {}

  /**
   * A trial beside the month as it is.
   *
   * @param words what is tried
   * @param due of all as it is; {@code change} is what the trial would add to it
   * @param changes of the reps whose pay would be another
   */
  record TrialPart(List<String> words, String due, String change, List<TrialChange> changes) {}

  record TrialChange(String rep, String due, String change) {}

  /**
   * Sums of some rows; of sales and quotas only where all plans credit the same measure.
   *
   * @param reps rows that are added up, {@code planned} of them with a plan and a quota
   * @param quota to date in the windows; null where the windows begin in different months, as such
   *     sums say nothing; {@code credited} alike
   * @param monthQuota of the month alone, whatever the windows
   * @param floor sales at which commission begins, of all together, in one window; null where the
   *     plan of one has none. {@code ceiling} alike where it ends
   * @param shareShown pay earned to date as a percentage of sales to date
   */
  record Totals(
      int reps,
      int planned,
      int paid,
      @Nullable String quota,
      @Nullable String monthQuota,
      @Nullable String floor,
      @Nullable String credited,
      @Nullable String ceiling,
      @Nullable String earned,
      @Nullable String due,
      @Nullable String shareShown) {}

  /**
   * Sums of the rows of a month that are kept.
   *
   * @param reps keys, null or empty for any
   * @param status words, null or empty for any
   * @param plan name, null or empty for any
   * @param text part of a name, key or region
   */
  Totals totals(
      YearMonth month,
      @Nullable List<String> reps,
      List<String> status,
      String plan,
      String text,
      EarningsTrial.Parameters tried) {
    String wanted = text == null ? "" : text.strip().toLowerCase(Locale.ROOT);
    return totals(
        earnings.month(month, trial(tried, month)).reps().stream()
            .filter(one -> reps == null || reps.isEmpty() || reps.contains(one.row().rep()))
            .filter(one -> isKept(one.row(), status, plan, wanted))
            .toList());
  }

  private static boolean isKept(
      EarningsRow row, @Nullable List<String> status, @Nullable String plan, String text) {
    return (status == null || status.isEmpty() || status.contains(row.status()))
        && (plan == null || plan.isEmpty() || plan.equals(row.plan()))
        && Stream.of(row.name(), row.rep(), row.region() == null ? "" : row.region())
            .anyMatch(one -> one.toLowerCase(Locale.ROOT).contains(text));
  }

  /** Due against the budget; LOWER is better. */
  record Budget(
      String goalSet, String goal, String variance, @Nullable String percent, boolean isOver) {}

  private EarningsTrial trial(EarningsTrial.Parameters tried, YearMonth month) {
    return tried.read(companyRules.current(), Months.number(month));
  }

  DeskAnswer answer(YearMonth month, EarningsTrial.Parameters tried) {
    EarningsTrial trial = trial(tried, month);
    EarningsService.Month read = earnings.month(month, trial);
    Rules rules = companyRules.current();
    Totals totals = totals(read.reps());
    return new DeskAnswer(
        month.toString(),
        earnings.isSealed(month) ? "sealed" : "open",
        earnings.isRunning(month),
        EarningsService.currency(rules),
        read.headline(),
        totals,
        budget(month, sum(read.reps(), RepMonth::due)),
        trial.isNone() ? null : beside(earnings.month(month), read, earnings.words(trial, month)),
        read.rows());
  }

  private static TrialPart beside(
      EarningsService.Month now, EarningsService.Month tried, List<String> words) {
    Map<String, Long> due = new HashMap<>();
    now.reps().forEach(one -> due.put(one.row().rep(), orZero(one.due())));
    List<TrialChange> changes = new ArrayList<>();
    long change = 0;
    for (RepMonth one : tried.reps()) {
      long was = due.getOrDefault(one.row().rep(), 0L);
      long differs = Math.subtractExact(orZero(one.due()), was);
      if (differs != 0) {
        change = Math.addExact(change, differs);
        changes.add(new TrialChange(one.row().rep(), PlanPart.cents(was), PlanPart.cents(differs)));
      }
    }
    return new TrialPart(
        words,
        PlanPart.cents(orZero(sum(now.reps(), RepMonth::due))),
        PlanPart.cents(change),
        changes);
  }

  private static long orZero(@Nullable Long cents) {
    return cents == null ? 0 : cents;
  }

  private static Totals totals(List<RepMonth> reps) {
    List<RepMonth> planned = reps.stream().filter(one -> one.earned() != null).toList();
    boolean isAlike = planned.stream().map(one -> one.row().measure()).distinct().count() == 1;
    boolean isOneWindow =
        isAlike && planned.stream().map(RepMonth::windowFrom).distinct().count() == 1;
    Measure measure = isAlike ? planned.get(0).measure() : null;
    Long earned = sum(planned, RepMonth::earned);
    return new Totals(
        reps.size(),
        planned.size(),
        (int) reps.stream().filter(RepMonth::isPaid).count(),
        isOneWindow ? sumOfSales(planned, one -> one.amounts().quota(), measure) : null,
        isAlike ? sumOfSales(planned, RepMonth::quotaOfMonth, measure) : null,
        isOneWindow ? sumOfAll(planned, RepMonth::floor, measure) : null,
        isOneWindow ? sumOfSales(planned, one -> one.amounts().credited(), measure) : null,
        isOneWindow ? sumOfAll(planned, RepMonth::ceiling, measure) : null,
        cents(earned),
        cents(sum(reps, RepMonth::due)),
        measure == null || earned == null
            ? null
            : share(earned, Ratio.sum(planned.stream().map(RepMonth::sales)), measure));
  }

  /** Cents; null where no row has the figure. */
  private static @Nullable Long sum(
      List<RepMonth> reps, Function<RepMonth, @Nullable Long> figure) {
    return reps.stream().map(figure).filter(Objects::nonNull).reduce(Math::addExact).orElse(null);
  }

  private static @Nullable String cents(@Nullable Long cents) {
    return cents == null ? null : PlanPart.cents(cents);
  }

  private static @Nullable String sumOfSales(
      List<RepMonth> reps, Function<RepMonth, @Nullable Ratio> figure, @Nullable Measure measure) {
    return reps.stream()
        .map(figure)
        .filter(Objects::nonNull)
        .reduce(Ratio::plus)
        .map(sum -> measure == null ? sum.toText() : measure.text(sum))
        .orElse(null);
  }

  /** Null as soon as one of them has none: what is missing is not 0. */
  private static @Nullable String sumOfAll(
      List<RepMonth> reps, Function<RepMonth, @Nullable Ratio> figure, @Nullable Measure measure) {
    return reps.stream().map(figure).allMatch(Objects::nonNull)
        ? sumOfSales(reps, figure, measure)
        : null;
  }

  /** Pay as a percentage of sales, two decimals; null unless they are above 0. */
  private static @Nullable String share(long earned, Ratio sales, Measure measure) {
    return sales.signum() <= 0
        ? null
        : Ratio.of(earned, 100)
            .dividedBy(sales.dividedBy(measure.unitsPerOne()))
            .times(Ratio.of(100))
            .rounded(2, RoundingMode.HALF_UP)
            .toPlainString();
  }

  /** Due against the month's budget. */
  private @Nullable Budget budget(YearMonth month, @Nullable Long cents) {
    CommissionBudget.Planned planned = cents == null ? null : budgets.in(month);
    if (planned == null || cents == null) {
      return null;
    }
    Measure measure = planned.measure();
    Ratio due = Ratio.of(cents, 100).times(measure.unitsPerOne());
    Reading reading = new Reading(measure.direction(), due, Goal.of(planned.goal()), 1, null, null);
    return new Budget(
        planned.goalSet(),
        measure.text(planned.goal()),
        measure.text(Objects.requireNonNull(reading.variance())),
        reading.attainment() == null ? null : reading.attainment().toText(6),
        Objects.requireNonNull(reading.favourable()).signum() < 0);
  }

  /**
   * A rep's statement with what it is made of.
   *
   * @param sales the lines credited in the window to date, {@code page} of them
   * @param quota the lines that set the quota
   */
  record StatementAnswer(
      EarningsRow row,
      @Schema(allowableValues = {"open", "sealed"}) String state,
      boolean isRunning,
      String currency,
      @Nullable PlanPart plan,
      List<StatementLines.Line> lines,
      int page,
      int lineCount,
      List<SourceLine> sales,
      List<SourceLine> quota) {}

  record SourceLine(int load, String file, int line, String month, String amount) {}

  StatementAnswer statement(String rep, YearMonth month, int page, EarningsTrial.Parameters tried) {
    EarningsTrial trial = trial(tried, month);
    EarningsRow row = earnings.row(rep, month, trial);
    boolean isSealed = seals.find(month).isPresent();
    Ledger ledger = isSealed ? ledgers.current() : ledgers.posted();
    Plan plan = earnings.plan(row, month, trial);
    Rules rules = companyRules.current();
    Measure measure = rules.findMeasure(row.measure()).orElseThrow();
    Member member = ledger.members().findByKey(Axis.REP, row.rep()).orElseThrow();
    Span span = new Span(YearMonth.parse(row.windowFrom()), month);
    StandingQuery query =
        new StandingQuery(
            Axis.REP,
            measure,
            span,
            plan == null ? Basis.NONE : new Basis.Set(plan.goalSet()),
            Filters.NONE,
            Ladder.defaultOf(measure.direction()));
    List<Ledger.Source> sales = seen(ledger.actualSources(query, member.id()), member);
    Map<Integer, String> files = loads.fileNames();
    int first = Math.min(Pages.first(page, PAGE), sales.size());
    return new StatementAnswer(
        row,
        isSealed ? "sealed" : "open",
        earnings.isRunning(month),
        EarningsService.currency(rules),
        plan == null ? null : PlanPart.of(plan),
        StatementLines.of(row, month, rules.company().writing()),
        Math.max(page, 0),
        sales.size(),
        sales.subList(first, Math.min(first + PAGE, sales.size())).stream()
            .map(source -> line(source, files, measure))
            .toList(),
        plan == null
            ? List.of()
            : seen(ledger.goalSources(query, member.id()), member).stream()
                .map(source -> line(source, files, measure))
                .toList());
  }

  /** Lines of the months in which the rep may be seen; a window may begin before a move. */
  private List<Ledger.Source> seen(List<Ledger.Source> sources, Member rep) {
    return sources.stream()
        .filter(source -> ledgers.seesRep(rep.id(), Months.of(source.month())))
        .toList();
  }

  private static SourceLine line(
      Ledger.Source source, Map<Integer, String> files, Measure measure) {
    return new SourceLine(
        source.loadId(),
        files.getOrDefault(source.loadId(), ""),
        source.line(),
        Months.of(source.month()).toString(),
        measure.text(source.amount()));
  }

  /** What other sales would earn. */
  record WhatIfAnswer(
      String sales,
      String status,
      @WordsOf(Tone.class) String tone,
      String earned,
      String change,
      List<ComponentPart> components,
      @Nullable NextPart next) {}

  WhatIfAnswer whatIf(String rep, YearMonth month, String sales) {
    Statement statement = earnings.statement(rep, month);
    if (statement.curve() == null) {
      throw Refusal.of("value-unknown", EarningsWords.WITHOUT_PLAN_AND_QUOTA_ABOVE_SALES);
    }
    Measure measure = Objects.requireNonNull(statement.terms()).plan().measure();
    long units = units(sales, measure);
    Pay pay = statement.curve().at(units);
    return new WhatIfAnswer(
        measure.text(units),
        pay.status().word(),
        EarningsWords.tone(pay.status()),
        PlanPart.cents(pay.earned()),
        PlanPart.cents(pay.earned() - Objects.requireNonNull(statement.pay()).earned()),
        EarningsWords.components(pay, measure),
        EarningsWords.next(pay.next(), measure));
  }

  private static long units(String sales, Measure measure) {
    try {
      Ratio units = Ratio.parse(sales.strip()).times(measure.unitsPerOne());
      if (units.under().equals(BigInteger.ONE)
          && units.abs().compareTo(Ratio.of(Measure.LARGEST_AMOUNT)) <= 0) {
        return units.over().longValueExact();
      }
    } catch (IllegalArgumentException noNumber) {
      // refused below, as too many decimals are
    }
    throw Refusal.of(
            "value-unknown",
            EarningsWords.isNotAmountOf(sales, measure.words(), measure.text(123_450)))
        .with("name", "sales");
  }

  /** One more order of a rep's average size over three months. */
  record OneMoreAnswer(
      String rep,
      String name,
      String order,
      String status,
      String then,
      @WordsOf(Tone.class) String tone,
      String pay) {}

  /** Cents that one order more would pay, with how it is told. */
  private record Gained(long pay, OneMoreAnswer answer) {}

  List<OneMoreAnswer> oneMore(YearMonth month) {
    Ledger ledger = ledgers.posted();
    Span span = Span.ending(month, MONTHS_OF_ORDERS);
    Map<String, Map<Integer, Long>> averages = new HashMap<>();
    List<Gained> found = new ArrayList<>();
    for (Statement statement : earnings.reckon(month)) {
      if (statement.curve() == null) {
        continue;
      }
      Measure measure = Objects.requireNonNull(statement.terms()).plan().measure();
      long order =
          averages
              .computeIfAbsent(measure.code(), code -> ledger.averageOrders(code, span))
              .getOrDefault(statement.rep(), 0L);
      Pay then = statement.curve().at(Math.addExact(statement.facts().sales(), order));
      if (order > 0 && then.status() != statement.status()) {
        Member rep = ledger.members().get(Axis.REP, statement.rep());
        long pay = then.earned() - Objects.requireNonNull(statement.pay()).earned();
        found.add(
            new Gained(
                pay,
                new OneMoreAnswer(
                    rep.key(),
                    rep.name(),
                    measure.text(order),
                    statement.status().word(),
                    then.status().word(),
                    EarningsWords.tone(then.status()),
                    PlanPart.cents(pay))));
      }
    }
    found.sort(Comparator.comparingLong(Gained::pay).reversed());
    return found.stream().map(Gained::answer).toList();
  }
}
