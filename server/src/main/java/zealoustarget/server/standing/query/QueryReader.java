package zealoustarget.server.standing.query;

import java.time.Clock;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.lang.Contract;
import org.springframework.stereotype.Component;
import zealoustarget.core.Refusal;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.calendar.Span;
import zealoustarget.core.close.SourceRhythm;
import zealoustarget.core.ladder.Ladder;
import zealoustarget.core.ledger.LateSources;
import zealoustarget.core.ledger.Ledger;
import zealoustarget.core.ledger.query.Basis;
import zealoustarget.core.ledger.query.Filters;
import zealoustarget.core.ledger.query.Narrowing;
import zealoustarget.core.ledger.query.StandingQuery;
import zealoustarget.core.member.Axis;
import zealoustarget.core.member.Member;
import zealoustarget.server.access.authorization.RowAccess;
import zealoustarget.server.ledger.sealing.Seals;
import zealoustarget.server.ledger.state.LedgerService;
import zealoustarget.server.masterdata.GoalSets;
import zealoustarget.server.masterdata.SourceRhythms;
import zealoustarget.server.platform.problems.UnknownValue;
import zealoustarget.server.rules.Rules;
import zealoustarget.server.rules.RulesService;

/** Reads a standing's parameters; a value that is not known is refused with those that are. */
@Component
public class QueryReader {
  /** The key that asks for everything in scope instead of one member. */
  public static final String TOTAL = "*";

  static final String AS_CLOSED = "as-closed";
  static final String RESTATED = "restated";

  private static final int LONGEST_SPAN = 120;

  private final LedgerService ledgers;
  private final RulesService companyRules;
  private final GoalSets goalSets;
  private final NarrowingReader narrowing = new NarrowingReader();
  private final Seals seals;
  private final RowAccess rowAccess;
  private final SourceRhythms rhythms;
  private final Clock clock;

  QueryReader(
      LedgerService ledgers,
      RulesService companyRules,
      GoalSets goalSets,
      Seals seals,
      RowAccess rowAccess,
      SourceRhythms rhythms,
      Clock clock) {
    this.rhythms = rhythms;
    this.ledgers = ledgers;
    this.companyRules = companyRules;
    this.goalSets = goalSets;
    this.seals = seals;
    this.rowAccess = rowAccess;
    this.clock = clock;
  }

  /** The same for one key, without narrowing: a narrowed total is filtered to what is kept. */
  public ResolvedQuery read(String key, StandingParameters parameters) {
    ResolvedQuery asked = read(parameters);
    StandingQuery query = asked.query();
    StandingQuery whole = query.withNarrowing(Narrowing.NONE);
    if (!key.equals(TOTAL) || query.narrowing().isNone()) {
      return asked.with(whole);
    }
    Set<Integer> kept =
        asked.ledger().standing(query).rows().stream()
            .map(row -> row.member().id())
            .collect(Collectors.toSet());
    return asked.with(whole.withFilters(query.filters().and(query.axis(), kept)));
  }

  /** Reads the parameters against the state of data and rules in force. */
  public ResolvedQuery read(StandingParameters parameters) {
    LedgerService.Readings both =
        isGiven(parameters.without()) ? without(parameters.without()) : ledgers.readings();
    boolean isRestated =
        Objects.requireNonNull(oneOf("closed", parameters.closed(), List.of(AS_CLOSED, RESTATED)))
            .equals(RESTATED);
    boolean isWhole =
        Objects.requireNonNull(oneOf("judge", parameters.judge(), List.of("to-date", "whole")))
            .equals("whole");
    boolean countsWaiting =
        Objects.requireNonNull(
                oneOf("waiting", parameters.waiting(), List.of("left-out", "counted")))
            .equals("counted");
    Ledger ledger = isRestated ? both.restated() : both.closed();
    Axis axis = axis(parameters.axis());
    Trial trial = trial(parameters);
    Basis basis = basis(parameters).times(trial.factor());
    Span span = span(parameters, ledger);
    Rules rules = rules(span.toInclusive());
    Measure measure = measure(parameters.measure(), rules);
    LocalDate asOf = asOf(parameters.asOf(), span, ledger);
    StandingQuery query =
        new StandingQuery(
                axis,
                measure,
                span,
                basis,
                filters(parameters, ledger),
                Ladder.defaultOf(measure.direction()))
            .withNarrowing(narrowing.read(parameters, axis, measure, ledger))
            .withDays(asOf == null ? null : rules.days(span.toInclusive(), asOf))
            .withWhole(isWhole)
            .withAtPace(trial.atPace());
    StandingQuery judged = tried(judged(query, ledger, rules), trial);
    Ratio atOrAbove = NarrowingReader.limit("atOrAbove", parameters.atOrAbove());
    return new ResolvedQuery(
        ledger,
        new ResolvedQuery.ClosedReading(isRestated, both),
        rules,
        judged,
        isGiven(parameters.beside()) ? beside(parameters, query, ledger, rules, trial) : null,
        group(parameters.group(), axis),
        judged.days() == null || trial.atPace() ? null : asOf,
        waiting(judged, ledger, isRestated ? both.wholeRestated() : both.wholeClosed(), both),
        countsWaiting,
        atOrAbove == null ? Ratio.ONE : atOrAbove,
        trial);
  }

  private StandingQuery beside(
      StandingParameters parameters, StandingQuery query, Ledger ledger, Rules rules, Trial trial) {
    Basis second = beside(Objects.requireNonNull(parameters.beside()), parameters);
    StandingQuery judged = judged(query.withBasis(second, query.ladder()), ledger, rules);
    return judged.withLadder(trial.moved(judged.ladder()));
  }

  private static Trial trial(StandingParameters parameters) {
    String pace = oneOf("trialPace", parameters.trialPace(), List.of("as-it-is", "end"));
    List<Ratio> bounds = new ArrayList<>();
    if (isGiven(parameters.trialThresholds())) {
      for (String text : parameters.trialThresholds().split(",", -1)) {
        Ratio bound = NarrowingReader.limit("trialThresholds", text.strip());
        if (bound == null) {
          throw unfit(QueryWords.THRESHOLD_IS_MISSING);
        }
        bounds.add(bound);
      }
    }
    return new Trial(factor(parameters.trialFactor()), bounds, "end".equals(pace));
  }

  /** Thresholds on trial must fit those in force. */
  private static StandingQuery tried(StandingQuery query, Trial trial) {
    if (trial.bounds().isEmpty()) {
      return query;
    }
    try {
      return query.withLadder(query.ladder().withBounds(trial.bounds()));
    } catch (IllegalArgumentException unfit) {
      throw unfit(String.valueOf(unfit.getMessage()));
    }
  }

  private static Refusal unfit(String why) {
    return Refusal.of("value-unknown", QueryWords.trialThresholdsDoNotFit(why))
        .with("name", "trialThresholds");
  }

  /** Members whose file of the span's last month has not come, with the load that came last. */
  private Map<Integer, Integer> waiting(
      StandingQuery query, Ledger ledger, Ledger whole, LedgerService.Readings both) {
    YearMonth last = query.span().toInclusive();
    if (ledger.emptyMonths(query.measure(), Span.of(last)).contains(last)) {
      return Map.of(); // nothing has come: the month is empty, which says more
    }
    int month = Months.number(last);
    Map<Integer, String> expected = new HashMap<>(both.sources());
    expected.values().removeIf(source -> rhythms.of(source) != SourceRhythm.MONTHLY);
    LateSources late = LateSources.of(whole, expected, month);
    Map<Integer, Integer> waiting = new HashMap<>();
    late.waiting(ledger, query.axis(), query.measure(), month)
        .forEach(
            (member, sources) ->
                waiting.put(
                    member,
                    sources.stream()
                        .flatMap(source -> late.loads().getOrDefault(source, Set.of()).stream())
                        .max(Integer::compare)
                        .orElseThrow()));
    return waiting;
  }

  private static @Nullable String oneOf(String name, @Nullable String given, List<String> allowed) {
    if (!isGiven(given)) {
      return allowed.get(0);
    }
    if (!allowed.contains(given)) {
      throw UnknownValue.of(name, given, allowed);
    }
    return given;
  }

  /** One month of the span, by its own rules: a closed one keeps those that it was judged by. */
  public ResolvedQuery inMonth(ResolvedQuery asked, YearMonth month) {
    Rules rules = rules(month);
    Span span = Span.of(month);
    Measure measure = asked.query().measure();
    StandingQuery query =
        asked.query().withSpan(span).withMeasure(rules.findMeasure(measure.code()).orElse(measure));
    LocalDate asOf = asked.asOf();
    if (!month.equals(asked.query().span().toInclusive())) {
      // also a running month within or beside the span is judged by what was expected so far
      asOf = asOf("", span, asked.ledger());
      query = query.withDays(asOf == null ? null : rules.days(month, asOf));
    }
    if (asked.trial().atPace()) {
      asOf = null; // on trial the month is over
    }
    StandingQuery judged = judged(query, asked.ledger(), rules);
    judged = judged.withLadder(asked.trial().moved(judged.ladder()));
    return asked.with(judged, query.days() == null ? null : asOf);
  }

  /** A sealed month keeps the rules that it was judged by. */
  private Rules rules(YearMonth month) {
    return seals
        .find(month)
        .map(seal -> companyRules.asFrozen(seal.rules()))
        .orElseGet(companyRules::current);
  }

  /** The query with the ladder that is in force for it. */
  private static StandingQuery judged(StandingQuery query, Ledger ledger, Rules rules) {
    return query.withLadder(
        rules.ladder(
            query.measure(),
            ResolvedQuery.attachment(query),
            query.span().toInclusive(),
            ledger.isRange(query.basis(), query.measure().code())));
  }

  private LedgerService.Readings without(String load) {
    if (rowAccess.isEverything() // a number of a load must not tell whether there is one
        && load.matches("\\d{1,9}")
        && ledgers.isPosted(Integer.parseInt(load))) {
      return ledgers.readings(ledgers.without(Integer.parseInt(load)));
    }
    throw Refusal.of("load-unknown", QueryWords.noPostedLoad(load)).with("load", load);
  }

  /** By default the last posted day; a closed month is over, unless a day is asked for. */
  private @Nullable LocalDate asOf(@Nullable String text, Span span, Ledger ledger) {
    YearMonth last = span.toInclusive();
    if (!isGiven(text)) {
      return seals.find(last).isPresent() ? null : ledger.lastPostedDay(last);
    }
    if (text.equals("none")) {
      return null;
    }
    try {
      LocalDate day = LocalDate.parse(text);
      if (YearMonth.from(day).equals(last)) {
        return day;
      }
    } catch (DateTimeException noSuchDay) {
      // falls through to the one refusal
    }
    throw Refusal.of("value-unknown", QueryWords.isNotDay(text, last, last.atDay(15)))
        .with("name", "asOf");
  }

  private static @Nullable Axis group(@Nullable String word, Axis axis) {
    if (!isGiven(word)) {
      return null;
    }
    Axis group = axis(word);
    List<Axis> allowed = groupsOf(axis);
    if (!allowed.contains(group)) {
      throw UnknownValue.of("group", word, allowed.stream().map(Axis::word).toList());
    }
    return group;
  }

  /** The axes in whose members rows of an axis can stand. */
  static List<Axis> groupsOf(Axis axis) {
    return switch (axis) {
      case REP -> List.of(Axis.REGION, Axis.MANAGER, Axis.LINE, Axis.PRODUCT);
      case PRODUCT -> List.of(Axis.LINE, Axis.REGION, Axis.REP, Axis.MANAGER);
      case LINE -> List.of(Axis.REGION, Axis.REP, Axis.MANAGER);
      case REGION -> List.of(Axis.LINE, Axis.PRODUCT, Axis.MANAGER);
      case MANAGER -> List.of(Axis.REGION, Axis.LINE);
      case COMPANY -> List.of();
    };
  }

  private Basis beside(String word, StandingParameters parameters) {
    Ratio factor = factor(parameters.besideFactor());
    if (word.startsWith("set:")) {
      return set(word.substring(4));
    }
    return derived("beside", word, factor);
  }

  static Axis axis(String word) {
    if (word == null || word.isBlank()) {
      return Axis.REP;
    }
    return Axis.findByWord(word)
        .orElseThrow(
            () -> UnknownValue.of("axis", word, Stream.of(Axis.values()).map(Axis::word).toList()));
  }

  /** A month as {@code 2026-10}; month-unreadable. */
  public static YearMonth month(String name, @Nullable String text) {
    try {
      if (text != null && text.matches("\\d{4}-\\d{2}")) {
        return YearMonth.parse(text);
      }
    } catch (DateTimeException noSuchMonth) {
      // falls through to the one refusal
    }
    throw Refusal.of("month-unreadable", QueryWords.isNotMonth(text)).with("name", name);
  }

  private static Measure measure(@Nullable String code, Rules rules) {
    String asked = code == null || code.isBlank() ? "revenue" : code;
    return rules
        .findMeasure(asked)
        .orElseThrow(
            () ->
                UnknownValue.of(
                    "measure", asked, rules.measures().stream().map(Measure::code).toList()));
  }

  private Span span(StandingParameters parameters, Ledger ledger) {
    YearMonth from = isGiven(parameters.from()) ? month("from", parameters.from()) : null;
    YearMonth to = isGiven(parameters.to()) ? month("to", parameters.to()) : null;
    if (from == null && to == null) {
      Span posted = ledger.monthsWithActuals();
      return Span.of(posted == null ? YearMonth.now(clock) : posted.toInclusive());
    }
    YearMonth first = from == null ? Objects.requireNonNull(to) : from;
    YearMonth last = to == null ? first : to;
    if (last.isBefore(first)) {
      throw Refusal.of("span-backwards", QueryWords.spanIsBackwards(last, first));
    }
    Span span = new Span(first, last);
    if (span.length() > LONGEST_SPAN) {
      throw Refusal.of("span-too-long", QueryWords.spanMayHaveMonths(LONGEST_SPAN, span.length()));
    }
    return span;
  }

  private Basis basis(StandingParameters parameters) {
    if (isGiven(parameters.goalSet()) && isGiven(parameters.basis())) {
      throw Refusal.of("two-bases", QueryWords.ASK_FOR_GOALSET_OR_FOR_BASIS);
    }
    if (isGiven(parameters.goalSet())) {
      return set(parameters.goalSet());
    }
    if (!isGiven(parameters.basis())) {
      return Basis.NONE;
    }
    return derived("basis", parameters.basis(), factor(parameters.factor()));
  }

  private static Basis derived(String name, String word, Ratio factor) {
    return switch (word) {
      case "prior-year" -> new Basis.PriorYear(factor);
      case "prior-period" -> new Basis.PriorPeriod(factor);
      default -> throw UnknownValue.of(name, word, List.of("prior-year", "prior-period"));
    };
  }

  /** A set of which nothing may be seen is as unknown as one that is not there. */
  private Basis set(String name) {
    Set<String> seen = ledgers.current().goalBooks().keySet();
    boolean isEverything = rowAccess.isEverything();
    return goalSets
        .find(name)
        .filter(set -> isEverything || seen.contains(set.name()))
        .map(set -> new Basis.Set(set.name()))
        .orElseThrow(
            () ->
                UnknownValue.of(
                    "goalSet",
                    name,
                    goalSets.all().stream()
                        .map(GoalSets.GoalSet::name)
                        .filter(known -> isEverything || seen.contains(known))
                        .toList()));
  }

  /** A factor as {@code 1.2}, 1 where none is given; factor-unreadable. */
  public static Ratio factor(@Nullable String text) {
    if (!isGiven(text)) {
      return Ratio.ONE;
    }
    if (!text.matches("\\d{1,4}(\\.\\d{1,6})?") || Ratio.parse(text).signum() == 0) {
      throw Refusal.of("factor-unreadable", QueryWords.isNotFactor(text));
    }
    return Ratio.parse(text);
  }

  private static Filters filters(StandingParameters parameters, Ledger ledger) {
    Map<Axis, Set<Integer>> kept = new EnumMap<>(Axis.class);
    keep(kept, Axis.REP, parameters.rep(), ledger);
    keep(kept, Axis.REGION, parameters.region(), ledger);
    keep(kept, Axis.PRODUCT, parameters.product(), ledger);
    keep(kept, Axis.LINE, parameters.line(), ledger);
    keep(kept, Axis.MANAGER, parameters.manager(), ledger);
    return kept.isEmpty() ? Filters.NONE : new Filters(kept);
  }

  private static void keep(
      Map<Axis, Set<Integer>> kept, Axis axis, @Nullable List<String> keys, Ledger ledger) {
    if (keys == null || keys.stream().allMatch(String::isBlank)) {
      return;
    }
    kept.put(
        axis,
        keys.stream()
            .filter(key -> !key.isBlank())
            .map(key -> member(axis, key, ledger).id())
            .collect(Collectors.toSet()));
  }

  /** A member by its key; value-unknown names those that there are. */
  public static Member member(Axis axis, String key, Ledger ledger) {
    return ledger
        .members()
        .findByKey(axis, key)
        .orElseThrow(
            () ->
                UnknownValue.of(
                    axis.word(),
                    key,
                    ledger.members().all(axis).stream().map(Member::key).toList()));
  }

  @Contract("null -> false")
  public static boolean isGiven(@Nullable String text) {
    return text != null && !text.isBlank();
  }
}
