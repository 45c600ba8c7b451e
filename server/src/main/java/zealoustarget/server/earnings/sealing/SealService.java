package zealoustarget.server.earnings.sealing;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Clock;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;
import zealoustarget.core.Refusal;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.calendar.Span;
import zealoustarget.core.commission.PayStatus;
import zealoustarget.core.commission.Statement;
import zealoustarget.core.ladder.Ladder;
import zealoustarget.core.ledger.Ledger;
import zealoustarget.core.ledger.query.Basis;
import zealoustarget.core.ledger.query.Filters;
import zealoustarget.core.ledger.query.StandingQuery;
import zealoustarget.core.member.Axis;
import zealoustarget.server.access.accounts.TwoPersons;
import zealoustarget.server.audit.Audit;
import zealoustarget.server.audit.AuditKind;
import zealoustarget.server.earnings.EarningsService;
import zealoustarget.server.intake.posting.LoadService;
import zealoustarget.server.ledger.sealing.Seal;
import zealoustarget.server.ledger.sealing.Seals;
import zealoustarget.server.ledger.state.LedgerService;
import zealoustarget.server.platform.state.DataState;
import zealoustarget.server.record.RecordService;
import zealoustarget.server.rules.PlanPart;
import zealoustarget.server.rules.RulesService;
import zealoustarget.server.standing.view.Snapshots;

/** Seals months and opens them again; says what stands in the way and what changed since. */
@Service
public class SealService {
  private static final int LONGEST_REASON = 1_000;
  private static final int MOST_NAMED = 8;
  private static final int MOST_LINES = 1_000;

  private final Seals seals;
  private final EarningsService earnings;
  private final Snapshots snapshots;
  private final LedgerService ledgers;
  private final RulesService companyRules;
  private final LoadService loads;
  private final Audit audit;
  private final TransactionTemplate transaction;
  private final Clock clock;
  private final RecordService record;
  private final TwoPersons twoPersons;
  private final CloseGate gate;
  private final JsonMapper json;
  private final DataState state;

  SealService(
      Seals seals,
      EarningsService earnings,
      Snapshots snapshots,
      LedgerService ledgers,
      RulesService companyRules,
      LoadService loads,
      Audit audit,
      TransactionTemplate transaction,
      Clock clock,
      RecordService record,
      TwoPersons twoPersons,
      CloseGate gate,
      JsonMapper json,
      DataState state) {
    this.gate = gate;
    this.json = json;
    this.state = state;
    this.twoPersons = twoPersons;
    this.record = record;
    this.clock = clock;
    this.seals = seals;
    this.earnings = earnings;
    this.snapshots = snapshots;
    this.ledgers = ledgers;
    this.companyRules = companyRules;
    this.loads = loads;
    this.audit = audit;
    this.transaction = transaction;
  }

  /**
   * One thing to look at before a month is sealed.
   *
   * @param level {@code stop}, {@code look} or {@code good}
   * @param names what it is about, the first few
   */
  public record Check(
      String code,
      @Schema(allowableValues = {"stop", "look", "good"}) String level,
      String words,
      int count,
      List<String> names) {}

  /**
   * A month's seal as it travels.
   *
   * @param hash links it to the seals before; null while the month is open
   * @param isIntact whether what is kept still has its checksum; null while the month is open
   */
  public record SealAnswer(
      String month,
      @Schema(allowableValues = {"open", "sealed"}) String state,
      @Nullable String sealedAt,
      @Nullable String sealedBy,
      @Nullable String checksum,
      @Nullable String hash,
      @Nullable Boolean isIntact,
      List<Check> checks,
      List<PastSeal> history) {}

  /** A seal that is no longer in force. */
  public record PastSeal(
      String sealedAt, String sealedBy, String unsealedAt, String unsealedBy, String reason) {}

  SealAnswer answer(YearMonth month) {
    Seal seal = seals.find(month).orElse(null);
    return new SealAnswer(
        month.toString(),
        seal == null ? "open" : "sealed",
        seal == null ? null : seal.sealedAt().toString(),
        seal == null ? null : seal.sealedBy(),
        seal == null ? null : seal.checksum(),
        seal == null ? null : seal.hash(),
        seal == null ? null : seals.isIntact(seal),
        seal == null ? checks(month) : List.of(),
        seals.past(month).stream()
            .map(
                past ->
                    new PastSeal(
                        past.sealedAt().toString(),
                        past.sealedBy(),
                        past.unsealedAt().toString(),
                        past.unsealedBy(),
                        past.reason()))
            .toList());
  }

  private List<Check> checks(YearMonth month) {
    List<Check> checks = new ArrayList<>();
    YearMonth last = seals.last();
    if (last != null && !month.equals(last.plusMonths(1))) {
      checks.add(
          new Check(
              "order",
              "stop",
              month.isAfter(last)
                  ? SealingWords.monthsAreClosedInTheirOrder(last.plusMonths(1))
                  : SealingWords.laterMonthsAreAlreadyClosed(last),
              1,
              List.of()));
    }
    Ledger ledger = ledgers.posted();
    Span posted = ledger.monthsWithActuals();
    YearMonth latest = YearMonth.now(clock);
    if (posted != null && posted.toInclusive().isAfter(latest)) {
      latest = posted.toInclusive();
    }
    if (last == null && month.isAfter(latest)) {
      checks.add(new Check("ahead", "stop", SealingWords.firstMonthToClose(latest), 1, List.of()));
    }
    boolean isEmpty = posted == null || !posted.contains(month);
    checks.add(
        new Check(
            "posted",
            isEmpty ? "look" : "good",
            isEmpty
                ? SealingWords.NOTHING_IS_POSTED_IN_THIS_MONTH
                : SealingWords.LINES_ARE_POSTED_IN_THIS_MONTH,
            isEmpty ? 0 : 1,
            List.of()));
    LoadService.OpenEnds ends = loads.openEnds(month);
    checks.add(
        check(
            "staged",
            ends.staged(),
            SealingWords.EVERY_LOAD_IS_POSTED,
            SealingWords.NOT_POSTED_YET));
    checks.add(
        check(
            "held",
            ends.holding(),
            SealingWords.NO_LINE_IS_HELD_BACK,
            SealingWords.WITH_LINES_HELD_BACK));
    checks.add(
        check(
            "control-totals",
            ends.differing(),
            SealingWords.EVERY_CONTROL_TOTAL_MATCHES,
            SealingWords.POSTED_ALTHOUGH_CONTROL_TOTAL));
    List<Statement> statements = earnings.reckon(month);
    checks.add(
        check(
            "quotas",
            names(statements, PayStatus.NO_QUOTA, ledger),
            SealingWords.EVERY_REP_WITH_PLAN_HAS_QUOTA,
            SealingWords.WITH_PLAN_AND_NO_QUOTA));
    checks.add(
        check(
            "plans",
            names(statements, PayStatus.NO_PLAN, ledger),
            SealingWords.EVERY_REP_HAS_PLAN,
            SealingWords.WITHOUT_PLAN));
    return checks;
  }

  private static List<String> names(List<Statement> statements, PayStatus status, Ledger ledger) {
    return statements.stream()
        .filter(one -> one.status() == status)
        .map(one -> ledger.members().get(Axis.REP, one.rep()).name())
        .toList();
  }

  private static Check check(String code, List<String> found, String good, String what) {
    return found.isEmpty()
        ? new Check(code, "good", good, 0, List.of())
        : new Check(
            code,
            "look",
            found.size() + " " + what + ".",
            found.size(),
            found.stream().limit(MOST_NAMED).toList());
  }

  /**
   * Seals a month: figures, ladders, plans and statements are frozen, all in one row, and with them
   * the close list as it stands.
   *
   * @param requiresChecked whether no line of the close list may be open, whatever the rules say
   * @throws Refusal month-sealed, month-not-ready, month-not-checked
   */
  public SealAnswer seal(YearMonth month, boolean requiresChecked) {
    state.inTurn(() -> sealAlone(month, requiresChecked));
    return answer(month);
  }

  private void sealAlone(YearMonth month, boolean requiresChecked) {
    seals
        .find(month)
        .ifPresent(
            seal -> {
              throw Refusal.of(
                      "month-sealed",
                      SealingWords.isAlreadyClosed(month, seal.sealedBy(), seal.sealedAt()))
                  .with("month", month);
            });
    checks(month).stream()
        .filter(check -> check.level().equals("stop"))
        .findFirst()
        .ifPresent(
            check -> {
              throw Refusal.of("month-not-ready", SealingWords.nothingWasClosed(check.words()))
                  .with("check", check.code());
            });
    gate.check(month, requiresChecked);
    checkRecord();
    Seals.Frozen frozen =
        new Seals.Frozen(
            ledgers.postedLoads(),
            ledgers.rowsOfPosted(),
            withCloseList(companyRules.toFreeze(), month),
            earnings.toFreeze(month),
            snapshots.figures(month));
    ledgers.apply(
        transaction.execute(
            status -> {
              Seal seal = seals.add(month, Audit.who(), frozen);
              audit.add(
                  AuditKind.MONTH_SEALED, month.toString(), null, SealingWords.seal(seal.hash()));
              List<Seal> next = new ArrayList<>(seals.inForce());
              next.add(seal);
              return ledgers.withSeals(next);
            }));
  }

  private byte[] withCloseList(byte[] rules, YearMonth month) {
    ObjectNode all = (ObjectNode) json.readTree(rules);
    all.set(CloseGate.KEPT, json.valueToTree(gate.kept(month)));
    return json.writeValueAsBytes(all);
  }

  /** Nothing is sealed on top of something that was changed from outside. */
  private void checkRecord() {
    RecordService.RecordAnswer found = record.verify();
    if (!found.isWhole()) {
      throw Refusal.of(
          "month-not-ready", SealingWords.nothingWasClosed(String.join(" ", found.faults())));
    }
  }

  /**
   * Opens the last sealed month again.
   *
   * @throws Refusal month-not-sealed, month-not-ready where a later month is sealed, value-missing
   *     without a reason, another-person for the first of two
   */
  SealAnswer unseal(YearMonth month, String reason) {
    if (reason == null || reason.isBlank() || reason.length() > LONGEST_REASON) {
      throw Refusal.of("value-missing", SealingWords.giveReason(LONGEST_REASON))
          .with("name", "reason");
    }
    Seal seal = checkLast(month);
    String first =
        twoPersons
            .ofApprovers(SealingWords.openAgainSeal(month, seal.hash()))
            .map(name -> SealingWords.firstAskedBy(name))
            .orElse("");
    state.inTurn(() -> unsealAlone(month, reason.strip() + first));
    return answer(month);
  }

  private Seal checkLast(YearMonth month) {
    Seal seal = sealed(month);
    if (!month.equals(seals.last())) {
      throw Refusal.of("month-not-ready", SealingWords.laterMonthsAreClosedAfter(seals.last()));
    }
    return seal;
  }

  private void unsealAlone(YearMonth month, String reason) {
    Seal seal = checkLast(month);
    ledgers.apply(
        transaction.execute(
            status -> {
              seals.unseal(seal.id(), Audit.who(), reason);
              audit.add(
                  AuditKind.MONTH_UNSEALED,
                  month.toString(),
                  SealingWords.seal(seal.hash()),
                  "because: " + reason);
              return ledgers.withSeals(
                  seals.inForce().stream().filter(one -> one.id() != seal.id()).toList());
            }));
  }

  Seals.Content content(Seal seal) {
    return seals.content(seal);
  }

  /**
   * The seal in force.
   *
   * @throws Refusal month-not-sealed
   */
  Seal sealed(YearMonth month) {
    return seals
        .find(month)
        .orElseThrow(
            () ->
                Refusal.of("month-not-sealed", SealingWords.isNotClosed(month))
                    .with("month", month));
  }

  /**
   * What differs from a sealed month on what is posted now.
   *
   * @param settledIn the open month that settles the differences in pay
   */
  record Changed(
      String month,
      String settledIn,
      String measure,
      List<ChangedRep> reps,
      List<ChangedLine> lines) {}

  /** A rep's month: sold, and earned in the window to date, then and now. */
  record ChangedRep(
      String rep,
      String name,
      String actualThen,
      String actualNow,
      String earnedThen,
      String earnedNow,
      String adjustment) {}

  /** A source line that came, went or changed; null on the side where it does not count. */
  record ChangedLine(
      int load,
      String file,
      int line,
      @Nullable String rep,
      @Nullable String then,
      @Nullable String now) {}

  private record LinePlace(int load, int line, int rep) {}

  Changed changed(YearMonth month) {
    Seal seal = sealed(month);
    Measure measure = EarningsService.usual(companyRules.current());
    Ledger then = ledgers.current();
    Ledger now = ledgers.posted();
    Map<LinePlace, Long> before = lines(then, measure, month);
    Map<LinePlace, Long> after = lines(now, measure, month);
    Map<Integer, String> files = loads.fileNames();
    List<ChangedLine> lines = new ArrayList<>();
    Map<LinePlace, Long> all = new LinkedHashMap<>(before);
    after.forEach(all::putIfAbsent);
    all.keySet().stream()
        .filter(place -> !Objects.equals(before.get(place), after.get(place)))
        .limit(MOST_LINES)
        .forEach(
            place ->
                lines.add(
                    new ChangedLine(
                        place.load(),
                        files.getOrDefault(place.load(), ""),
                        place.line(),
                        place.rep() < 0 ? null : now.members().get(Axis.REP, place.rep()).name(),
                        text(before.get(place), measure),
                        text(after.get(place), measure))));
    return new Changed(
        month.toString(),
        Objects.requireNonNull(seals.last()).plusMonths(1).toString(),
        measure.code(),
        reps(seal, month, measure, then, now),
        lines);
  }

  private List<ChangedRep> reps(
      Seal seal, YearMonth month, Measure measure, Ledger then, Ledger now) {
    int number = Months.number(month);
    Map<Integer, EarningsService.Twice> earned = earnings.thenAndNow(seal);
    Map<String, ChangedRep> reps = new TreeMap<>();
    now.members()
        .all(Axis.REP)
        .forEach(
            rep -> {
              long before = or0(then.actual(measure.code(), Axis.REP, rep.id(), number));
              long after = or0(now.actual(measure.code(), Axis.REP, rep.id(), number));
              EarningsService.Twice pay =
                  earned.getOrDefault(rep.id(), new EarningsService.Twice(0, 0));
              if (before != after || pay.then() != pay.now()) {
                reps.put(
                    rep.key(),
                    new ChangedRep(
                        rep.key(),
                        rep.name(),
                        measure.text(before),
                        measure.text(after),
                        PlanPart.cents(pay.then()),
                        PlanPart.cents(pay.now()),
                        PlanPart.cents(pay.now() - pay.then())));
              }
            });
    return List.copyOf(reps.values());
  }

  private static long or0(@Nullable Long amount) {
    return amount == null ? 0 : amount;
  }

  private static @Nullable String text(@Nullable Long amount, Measure measure) {
    return amount == null ? null : measure.text(amount);
  }

  private static Map<LinePlace, Long> lines(Ledger ledger, Measure measure, YearMonth month) {
    StandingQuery query =
        new StandingQuery(
            Axis.REP,
            measure,
            Span.of(month),
            Basis.NONE,
            Filters.NONE,
            Ladder.defaultOf(measure.direction()));
    Map<LinePlace, Long> lines = new LinkedHashMap<>();
    ledger
        .actualSources(query, null)
        .forEach(
            source ->
                lines.merge(
                    new LinePlace(source.loadId(), source.line(), source.rep()),
                    source.amount(),
                    Math::addExact));
    return lines;
  }
}
