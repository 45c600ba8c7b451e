package zealoustarget.server.earnings;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import zealoustarget.core.Refusal;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.calendar.SpanWords;
import zealoustarget.core.commission.Closed;
import zealoustarget.core.commission.CreditShares;
import zealoustarget.core.commission.Earnings;
import zealoustarget.core.commission.LedgerSales;
import zealoustarget.core.commission.PayHeadline;
import zealoustarget.core.commission.Plan;
import zealoustarget.core.commission.PlanBook;
import zealoustarget.core.commission.SalesBook;
import zealoustarget.core.commission.Statement;
import zealoustarget.core.commission.Terms;
import zealoustarget.core.commission.TrialSales;
import zealoustarget.core.ledger.Ledger;
import zealoustarget.core.ledger.columns.Members;
import zealoustarget.core.member.Axis;
import zealoustarget.core.member.KeyText;
import zealoustarget.core.member.Member;
import zealoustarget.core.reading.Figures;
import zealoustarget.core.reading.Pace;
import zealoustarget.server.ledger.sealing.Seal;
import zealoustarget.server.ledger.sealing.Seals;
import zealoustarget.server.ledger.state.LedgerService;
import zealoustarget.server.platform.storage.Packed;
import zealoustarget.server.rules.Commission;
import zealoustarget.server.rules.Rules;
import zealoustarget.server.rules.RulesService;
import zealoustarget.server.standing.query.Trial;

/** Statements of a month: frozen ones of a sealed month, reckoned ones of any other. */
@Service
public class EarningsService {
  private static final long MOST_FROZEN = 64L << 20;
  private static final long MOST_SETTLED = 64L << 20;
  private static final int BYTES_OF_ROW = 4_500; // of a rep's statement in memory, measured
  private static final int BYTES_OF_SETTLED = 250;

  private final LedgerService ledgers;
  private final RulesService companyRules;
  private final Seals seals;

  /** Opened seals by number: what was said, and the smaller part that later months need. */
  private final Cache<Integer, Month> frozen =
      Caffeine.newBuilder()
          .maximumWeight(MOST_FROZEN)
          .weigher((Integer id, Month month) -> BYTES_OF_ROW * (1 + month.reps().size()))
          .executor(Runnable::run)
          .build();

  private final Cache<Integer, List<FrozenMonth.Settled>> settled =
      Caffeine.newBuilder()
          .maximumWeight(MOST_SETTLED)
          .weigher((Integer id, List<FrozenMonth.Settled> all) -> BYTES_OF_SETTLED * all.size())
          .executor(Runnable::run)
          .build();

  EarningsService(LedgerService ledgers, RulesService companyRules, Seals seals) {
    this.ledgers = ledgers;
    this.companyRules = companyRules;
    this.seals = seals;
  }

  /** The statements of a month that is not sealed, by the reps' keys; those that may be seen. */
  public List<Statement> reckon(YearMonth month) {
    return reckonAll(month).stream().filter(one -> ledgers.seesRep(one.rep(), month)).toList();
  }

  private List<Statement> reckonAll(YearMonth month) {
    return reckonAll(month, EarningsTrial.NONE);
  }

  private List<Statement> reckonAll(YearMonth month, EarningsTrial trial) {
    Ledger ledger = ledgers.posted();
    int number = Months.number(month);
    Map<Integer, List<Closed>> closed = closed(number);
    Earnings earnings = earnings(companyRules.current(), ledger, trial, month);
    List<Statement> statements = new ArrayList<>();
    for (Member rep : ledger.members().all(Axis.REP)) {
      Statement statement =
          earnings.statement(rep.id(), number, closed.getOrDefault(rep.id(), List.of()));
      if (isShown(statement, ledger)) {
        statements.add(statement);
      }
    }
    return statements;
  }

  /** A month as rules would have it, as if no month were sealed. */
  public List<Statement> unsealed(YearMonth month, Rules rules) {
    return unsealed(month, rules, ledgers.posted());
  }

  /** The same with other rows or goals than those that are posted. */
  public List<Statement> unsealed(YearMonth month, Rules rules, Ledger ledger) {
    Earnings earnings = earnings(rules, ledger);
    return ledger.members().all(Axis.REP).stream()
        .map(rep -> earnings.statement(rep.id(), Months.number(month), List.of()))
        .toList();
  }

  /** A rep's pay for a month by two states of rules or goals, in cents. */
  public record PayChange(Member rep, YearMonth month, long before, long after) {}

  /** Reps whose pay for a month that is not sealed differs between two states. */
  public List<PayChange> differing(
      YearMonth month, Rules before, Ledger ledgerBefore, Rules after, Ledger ledgerAfter) {
    Map<Integer, Long> then = added(month, before, ledgerBefore);
    List<PayChange> changes = new ArrayList<>();
    added(month, after, ledgerAfter)
        .forEach(
            (rep, cents) -> {
              long was = then.getOrDefault(rep, 0L);
              if (was != cents) {
                Member member = ledgerBefore.members().get(Axis.REP, rep);
                changes.add(new PayChange(member, month, was, cents));
              }
            });
    return changes;
  }

  /** What a month that is not sealed adds to each rep's pay, in cents by rep. */
  private Map<Integer, Long> added(YearMonth month, Rules rules, Ledger ledger) {
    Map<Integer, Long> earlier = new HashMap<>();
    List<Statement> now = unsealed(month, rules, ledger);
    if (now.stream().anyMatch(one -> one.windowFrom() < Months.number(month))) {
      unsealed(month.minusMonths(1), rules, ledger)
          .forEach(one -> earlier.put(one.rep(), Objects.requireNonNullElse(one.earned(), 0L)));
    }
    Map<Integer, Long> added = new HashMap<>();
    now.forEach(one -> added.put(one.rep(), one.added(earlier.getOrDefault(one.rep(), 0L))));
    return added;
  }

  private Earnings earnings(Rules rules, Ledger ledger) {
    return earnings(rules, ledger, (rep, month, plans) -> plans.terms(rep, month), book -> book);
  }

  /** By other quotas, plans or sales, as a trial has them. */
  private Earnings earnings(Rules rules, Ledger ledger, EarningsTrial trial, YearMonth month) {
    if (trial.isNone()) {
      return earnings(rules, ledger);
    }
    Set<String> quotaSets =
        rules.commission().plans().versions().stream()
            .map(version -> version.plan().goalSet())
            .collect(Collectors.toSet());
    int running = Months.number(month);
    Pace.@Nullable Days days = trial.atPace() ? days(month, rules) : null;
    return earnings(
        rules,
        ledger,
        (rep, at, plans) -> {
          Terms terms = plans.terms(rep, at);
          return terms == null || trial.plan() == null
              ? terms
              : plans
                  .findPlan(trial.plan(), at)
                  .map(plan -> new Terms(plan, terms.ramp(), terms.rampFrom()))
                  .orElse(terms);
        },
        book -> new TrialSales(book, trial.factor(), quotaSets, running, days));
  }

  /** Whose plan a rep's key has in a month. */
  private interface TermsOfKey {
    @Nullable Terms of(String rep, int month, PlanBook plans);
  }

  private Earnings earnings(
      Rules rules, Ledger ledger, TermsOfKey termsOf, UnaryOperator<SalesBook> sales) {
    PlanBook plans = rules.commission().plans();
    Map<Integer, String> keys = new HashMap<>();
    ledger.members().all(Axis.REP).forEach(rep -> keys.put(rep.id(), rep.key()));
    YearMonth last = seals.last();
    return new Earnings(
        rules.calendar(),
        (rep, month) -> {
          String key = keys.get(rep);
          return key == null ? null : termsOf.of(key, month, plans);
        },
        sales.apply(new LedgerSales(ledger, shared(rules.commission(), ledger))),
        usual(rules).code(),
        last == null ? null : Integer.valueOf(Months.number(last) + 1));
  }

  /** Shared credit between reps that are known; the others cannot have sold anything. */
  private static List<LedgerSales.Shared> shared(Commission commission, Ledger ledger) {
    List<LedgerSales.Shared> all = new ArrayList<>();
    for (Commission.SharedCredit one : commission.shared()) {
      Map<Integer, Ratio> shares = new HashMap<>();
      one.shares()
          .shares()
          .forEach(
              (key, share) ->
                  ledger
                      .members()
                      .findByKey(Axis.REP, key)
                      .ifPresent(rep -> shares.put(rep.id(), share)));
      boolean isKnown = shares.size() == one.shares().shares().size();
      ledger
          .members()
          .findByKey(Axis.REP, one.rep())
          .filter(rep -> isKnown)
          .ifPresent(
              rep ->
                  all.add(
                      new LedgerSales.Shared(
                          rep.id(),
                          one.from() == null ? Integer.MIN_VALUE : Months.number(one.from()),
                          one.until() == null ? null : Months.number(one.until()),
                          new CreditShares<>(shares))));
    }
    return all;
  }

  private static boolean isShown(Statement statement, Ledger ledger) {
    return statement.terms() != null
        || statement.due() != null
        || ledger.members().isOnRoster(statement.rep(), statement.month())
        || statement.facts().sales() != 0;
  }

  /** What sealed months before that one settled, by rep. */
  private Map<Integer, List<Closed>> closed(int before) {
    Map<Integer, List<Closed>> byRep = new HashMap<>();
    for (Seal seal : seals.inForce()) {
      if (Months.number(seal.month()) < before) {
        settled(seal)
            .forEach(
                one ->
                    byRep.computeIfAbsent(one.rep(), rep -> new ArrayList<>()).add(one.closed()));
      }
    }
    return byRep;
  }

  private List<FrozenMonth.Settled> settled(Seal seal) {
    return settled.get(seal.id(), id -> stored(seal).settled(seal.month(), companyRules));
  }

  private FrozenMonth stored(Seal seal) {
    return Packed.fromDeflated(seals.content(seal).statements(), FrozenMonth.class);
  }

  private Month frozen(Seal seal) {
    return frozen.get(
        seal.id(),
        id -> {
          FrozenMonth stored = stored(seal);
          return new Month(
              stored.rows().stream().map(one -> RepMonth.of(one, companyRules.current())).toList(),
              stored.headline(),
              true);
        });
  }

  /**
   * A month's rows and the sentence over them.
   *
   * @param reps by the reps' keys
   */
  public record Month(List<RepMonth> reps, String headline, boolean isSealed) {
    public List<EarningsRow> rows() {
      return reps.stream().map(RepMonth::row).toList();
    }
  }

  /** The hash of a month's seal; null while it is open. */
  public @Nullable String sealOf(YearMonth month) {
    return seals.find(month).map(Seal::hash).orElse(null);
  }

  public boolean isSealed(YearMonth month) {
    return seals.find(month).isPresent();
  }

  /** The rows that may be seen. */
  public Month month(YearMonth month) {
    return seals.find(month).map(this::sealed).orElseGet(() -> open(month, reps(reckon(month))));
  }

  /** A month as a trial would have it, closed or not; the rows that may be seen. */
  Month month(YearMonth month, EarningsTrial trial) {
    if (trial.isNone()) {
      return month(month);
    }
    List<RepMonth> reps =
        reps(
            reckonAll(month, trial).stream()
                .filter(one -> ledgers.seesRep(one.rep(), month))
                .toList());
    String headline = Trial.sentence(words(trial, month)) + headline(month, reps, trial.atPace());
    return new Month(reps, headline, false);
  }

  List<String> words(EarningsTrial trial, YearMonth month) {
    return trial.words(month, days(month, companyRules.current()), isSealed(month));
  }

  private Month sealed(Seal seal) {
    Month whole = frozen(seal);
    List<RepMonth> seen =
        whole.reps().stream().filter(one -> isSeen(one.row(), seal.month())).toList();
    return seen.size() == whole.reps().size()
        ? whole
        : new Month(seen, headline(seal.month(), seen, true), true);
  }

  private boolean isSeen(EarningsRow row, YearMonth month) {
    return ledgers
        .posted()
        .members()
        .findByKey(Axis.REP, row.rep())
        .filter(rep -> ledgers.seesRep(rep.id(), month))
        .isPresent();
  }

  private Month open(YearMonth month, List<RepMonth> reps) {
    return new Month(reps, headline(month, reps, false), false);
  }

  private List<RepMonth> reps(List<Statement> statements) {
    return statements.stream().map(this::repMonth).toList();
  }

  private String headline(YearMonth month, List<RepMonth> reps, boolean isFinal) {
    Rules rules = companyRules.current();
    if (!isFinal && isEmpty(month)) {
      return PayHeadline.ofEmpty(SpanWords.name(month));
    }
    return PayHeadline.of(
        SpanWords.name(month),
        reps.stream().map(RepMonth::line).toList(),
        currency(rules),
        isFinal ? null : days(month, rules),
        new Figures(rules.company().writing()));
  }

  /** Whether nothing at all is posted for a month. */
  private boolean isEmpty(YearMonth month) {
    return !ledgers.posted().hasMonth(Months.number(month));
  }

  /** Whether a month is open and not all of its working days are posted. */
  boolean isRunning(YearMonth month) {
    return !isSealed(month) && days(month, companyRules.current()) != null;
  }

  /** How far a running month is, by the last posted day; null where it is over. */
  private Pace.@Nullable Days days(YearMonth month, Rules rules) {
    LocalDate posted = ledgers.posted().lastPostedDay(month);
    return posted == null ? null : rules.days(month, posted);
  }

  /**
   * One rep's row.
   *
   * @throws Refusal member-unknown, also where the rep may not be seen
   */
  public EarningsRow row(String rep, YearMonth month) {
    return seals
        .find(month)
        .map(
            seal ->
                frozen(seal).reps().stream()
                    .map(RepMonth::row)
                    .filter(row -> KeyText.isSame(row.rep(), rep))
                    .filter(row -> isSeen(row, month))
                    .findFirst())
        .orElseGet(
            () ->
                Optional.of(statement(rep, month))
                    .filter(one -> isShown(one, ledgers.posted()))
                    .map(this::repMonth)
                    .map(RepMonth::row))
        .orElseThrow(() -> unknown(rep, month));
  }

  /**
   * One rep's row as a trial would have it.
   *
   * @throws Refusal member-unknown, also where the rep may not be seen
   */
  EarningsRow row(String rep, YearMonth month, EarningsTrial trial) {
    return trial.isNone() ? row(rep, month) : repMonth(statement(rep, month, trial)).row();
  }

  private RepMonth repMonth(Statement statement) {
    Members members = ledgers.posted().members();
    Terms terms = statement.terms();
    Measure measure = terms == null ? usual(companyRules.current()) : terms.plan().measure();
    EarningsRow row =
        EarningsWords.row(
            statement,
            members.get(Axis.REP, statement.rep()),
            members.placeOf(Axis.REP, statement.rep(), statement.month()),
            measure);
    return RepMonth.of(statement, row, measure);
  }

  /**
   * One rep's statement of a month as it would be reckoned now, sealed or not.
   *
   * @throws Refusal member-unknown, also where the rep may not be seen
   */
  Statement statement(String rep, YearMonth month) {
    return statement(rep, month, EarningsTrial.NONE);
  }

  Statement statement(String rep, YearMonth month, EarningsTrial trial) {
    Ledger ledger = ledgers.posted();
    int number = Months.number(month);
    return ledger
        .members()
        .findByKey(Axis.REP, rep)
        .filter(member -> ledgers.seesRep(member.id(), month))
        .map(
            member ->
                earnings(companyRules.current(), ledger, trial, month)
                    .statement(
                        member.id(), number, closed(number).getOrDefault(member.id(), List.of())))
        .orElseThrow(() -> unknown(rep, month));
  }

  private static Refusal unknown(String rep, YearMonth month) {
    return Refusal.of("member-unknown", EarningsWords.noRepIn(rep, month)).with("key", rep);
  }

  /** Whether any plan may reckon a month alone, by a goal set; all statements tell which do. */
  boolean mayReadMonthly(YearMonth month, String goalSet) {
    return isSealed(month)
        || companyRules.current().commission().plans().versions().stream()
            .map(PlanBook.Version::plan)
            .anyMatch(plan -> isMonthly(plan, goalSet));
  }

  /** Whether a plan reckons each month alone, by that goal set. */
  static boolean isMonthly(Plan plan, String goalSet) {
    return plan.window() == Plan.Window.MONTH && plan.goalSet().equals(goalSet);
  }

  /** The plan behind a row as a trial has it. */
  @Nullable Plan plan(EarningsRow row, YearMonth month, EarningsTrial trial) {
    return trial.isNone() || row.plan() == null
        ? plan(row, month)
        : inForce(row.plan(), month).orElse(null);
  }

  private Optional<Plan> inForce(String name, YearMonth month) {
    return companyRules.current().commission().plans().findPlan(name, Months.number(month));
  }

  /** The plan behind a row; null without one. */
  @Nullable Plan plan(EarningsRow row, YearMonth month) {
    String name = row.plan();
    if (name == null) {
      return null;
    }
    return seals
        .find(month)
        .map(
            seal ->
                settled(seal).stream()
                    .map(one -> one.closed().terms())
                    .filter(terms -> terms != null && terms.plan().name().equals(name))
                    .map(Terms::plan)
                    .findFirst()
                    .orElseThrow())
        .or(() -> inForce(name, month))
        .orElse(null);
  }

  /** Cents earned in a window to date when its month was sealed, and on what is posted now. */
  public record Twice(long then, long now) {}

  /** What every rep of a sealed month had earned then and would have now. */
  public Map<Integer, Twice> thenAndNow(Seal seal) {
    Earnings now = earnings(companyRules.current(), ledgers.posted());
    Map<Integer, Twice> byRep = new HashMap<>();
    for (FrozenMonth.Settled one : settled(seal)) {
      byRep.put(
          one.rep(), new Twice(one.closed().earned(), now.earnedNow(one.rep(), one.closed())));
    }
    return byRep;
  }

  /** What is frozen with a month as it stands. */
  public byte[] toFreeze(YearMonth month) {
    List<Statement> statements = reckonAll(month);
    List<RepMonth> reps = reps(statements);
    return Packed.deflated(FrozenMonth.of(statements, reps, headline(month, reps, true)));
  }

  /** The measure whose sales are shown where no plan names one. */
  public static Measure usual(Rules rules) {
    return rules
        .findMeasure("revenue")
        .or(() -> rules.measures().stream().filter(m -> !m.isRate()).findFirst())
        .orElseThrow();
  }

  /** The currency in which is paid: that of the first measure that has one. */
  public static String currency(Rules rules) {
    Measure usual = usual(rules);
    return usual.isCurrency()
        ? usual.unit()
        : rules.measures().stream()
            .filter(Measure::isCurrency)
            .map(Measure::unit)
            .findFirst()
            .orElse("");
  }
}
