package zealoustarget.server.standing.closeup;

import java.math.RoundingMode;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import zealoustarget.core.Refusal;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.amount.Writing;
import zealoustarget.core.calendar.FiscalCalendar;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.calendar.Span;
import zealoustarget.core.commission.Bound;
import zealoustarget.core.commission.Plan;
import zealoustarget.core.commission.PlanBook;
import zealoustarget.core.ladder.Rung;
import zealoustarget.core.ladder.Shown;
import zealoustarget.core.ledger.Breakdown;
import zealoustarget.core.ledger.Corrections;
import zealoustarget.core.ledger.Ledger;
import zealoustarget.core.ledger.columns.GoalBook;
import zealoustarget.core.ledger.columns.Members;
import zealoustarget.core.ledger.query.Basis;
import zealoustarget.core.ledger.query.Narrowing;
import zealoustarget.core.ledger.query.StandingQuery;
import zealoustarget.core.member.Axis;
import zealoustarget.core.member.Member;
import zealoustarget.core.reading.Explanation;
import zealoustarget.core.reading.Goal;
import zealoustarget.core.reading.Milestone;
import zealoustarget.core.reading.NoReading;
import zealoustarget.core.reading.Pace;
import zealoustarget.core.reading.Reading;
import zealoustarget.core.reading.Standing;
import zealoustarget.core.reading.Standing.Row;
import zealoustarget.core.reading.Status;
import zealoustarget.server.intake.posting.LoadService;
import zealoustarget.server.ledger.sealing.Seals;
import zealoustarget.server.masterdata.GoalSets;
import zealoustarget.server.standing.query.GoalWords;
import zealoustarget.server.standing.query.QueryReader;
import zealoustarget.server.standing.query.ResolvedQuery;
import zealoustarget.server.standing.query.StandingParameters;
import zealoustarget.server.standing.view.ReadingAnswer;
import zealoustarget.server.standing.view.ReadingAnswer.Words;
import zealoustarget.server.standing.view.StandingAnswer;
import zealoustarget.server.standing.view.StandingService;

/** Explains one row or the total: its proof, its months, what it is made of, what comes next. */
@Service
public class CloseUpService {
  private final QueryReader reader;
  private final LoadService loads;
  private final GoalSets goalSets;
  private final Seals seals;

  CloseUpService(QueryReader reader, LoadService loads, GoalSets goalSets, Seals seals) {
    this.seals = seals;
    this.reader = reader;
    this.loads = loads;
    this.goalSets = goalSets;
  }

  /** The lines behind a member's figure, a page of them, each to its file and line. */
  public ProofAnswer proof(String key, StandingParameters parameters, int page, int size) {
    ResolvedQuery asked = reader.read(key, parameters);
    StandingQuery query = asked.query();
    Member member = member(asked.ledger(), query.axis(), key);
    Row row = row(asked, member);
    Integer id = member == null ? null : member.id();
    List<Ledger.Source> rows = asked.ledger().actualSources(query, id);
    List<Ledger.Source> goalRows = asked.ledger().goalSources(query, id);
    Map<Integer, String> files = loads.fileNames();
    return new ProofAnswer(
        words(asked).answer(row),
        explanations(asked, id, row.reading()).stream()
            .map(e -> new ProofAnswer.Formula(e.figure(), e.formula(), e.value(), e.why()))
            .toList(),
        rung(query, row.status()),
        asked.ladderWords(),
        GoalWords.of(query.basis()),
        page,
        size,
        rows.size(),
        decided(
            page(rows, page, size).stream().map(source -> source(source, files, query)).toList()),
        goalRows.size(),
        decided(
            page(goalRows, 0, size).stream()
                .map(source -> goalSource(source, files, query))
                .toList()));
  }

  /** The same lines with what was decided about each. */
  private List<ProofAnswer.SourceRow> decided(List<ProofAnswer.SourceRow> rows) {
    Map<Integer, Set<Integer>> lines = new HashMap<>();
    rows.forEach(row -> lines.computeIfAbsent(row.load(), load -> new HashSet<>()).add(row.line()));
    Map<Integer, Map<Integer, List<String>>> decisions = new HashMap<>();
    loads
        .decidedAmong(lines.keySet())
        .forEach(load -> decisions.put(load, loads.decisions(load, lines.get(load))));
    return rows.stream()
        .map(
            row ->
                new ProofAnswer.SourceRow(
                    row.load(),
                    row.file(),
                    row.line(),
                    row.month(),
                    row.amount(),
                    decisions
                        .getOrDefault(row.load(), Map.of())
                        .getOrDefault(row.line(), List.of())))
        .toList();
  }

  private static List<Explanation> explanations(
      ResolvedQuery asked, @Nullable Integer member, Reading reading) {
    Measure measure = asked.query().measure();
    Writing writing = asked.rules().company().writing();
    List<Explanation> all = new ArrayList<>();
    if (measure.isRate()) {
      Ledger.SpanParts parts = asked.ledger().parts(asked.query(), member);
      all.add(
          Explanation.ofRate(
              parts.over(),
              parts.under(),
              reading,
              Objects.requireNonNull(measure.quotient()),
              writing));
    }
    all.addAll(Explanation.of(reading, measure, writing));
    return all;
  }

  /** The row as the standing has it. */
  private static Row row(ResolvedQuery asked, @Nullable Member member) {
    StandingQuery query = asked.query();
    if (member == null) {
      return asked.ledger().total(query);
    }
    return asked.ledger().standing(query).rows().stream()
        .filter(row -> row.member().id() == member.id())
        .findFirst()
        .orElseGet(() -> asked.ledger().reading(query, member.id()));
  }

  private static Words words(ResolvedQuery asked) {
    return StandingService.words(asked, asked.query(), null);
  }

  /** Rank, movement, what is ahead, and what the variance is made of. */
  public CloseUpAnswer closeUp(String key, StandingParameters parameters) {
    ResolvedQuery asked = reader.read(key, parameters);
    StandingQuery query = asked.query();
    Member member = member(asked.ledger(), query.axis(), key);
    Standing standing = asked.ledger().standing(query);
    Row row = row(asked, member);
    Map<Integer, Integer> places = standing.places();
    Map<Integer, Integer> before = asked.ledger().standing(monthBefore(query)).places();
    Ratio highest = standing.highest() == null ? null : standing.highest().reading().actual();
    boolean isEmpty = row.status().noReading() == NoReading.EMPTY;
    return new CloseUpAnswer(
        words(asked).answer(row),
        member == null ? null : places.get(member.id()),
        places.size(),
        member == null ? null : before.get(member.id()),
        Milestone.of(row.reading(), asked.ledger().ladder(query), query.measure(), highest).stream()
            .map(ahead -> milestone(ahead, query.measure()))
            .toList(),
        isEmpty ? null : required(asked, member),
        assigned(asked, member, row.reading()),
        isEmpty ? null : lastYear(asked, row.reading()),
        isEmpty ? List.of() : parts(asked, member));
  }

  private static CloseUpAnswer.@Nullable LastYear lastYear(ResolvedQuery asked, Reading reading) {
    Measure measure = asked.query().measure();
    Ratio change = reading.growthOnYear();
    return change == null || measure.isRate() || asked.asOf() != null
        ? null
        : new CloseUpAnswer.LastYear(
            measure.text(Objects.requireNonNull(reading.yearBefore())), Shown.percent(change));
  }

  /** The same span a month ago: a month's month before, a longer span without its last month. */
  private static StandingQuery monthBefore(StandingQuery query) {
    Span span = query.span();
    YearMonth last = span.toInclusive().minusMonths(1);
    return query.withSpan(
        span.length() == 1 ? Span.of(last) : new Span(span.fromInclusive(), last));
  }

  private static CloseUpAnswer.MilestoneAnswer milestone(Milestone ahead, Measure measure) {
    return new CloseUpAnswer.MilestoneAnswer(
        ahead.name(),
        ahead.tone().name().toLowerCase(Locale.ROOT),
        measure.text(whole(ahead.at())),
        measure.text(ahead.toGo()),
        shown(ahead.toGo(), measure));
  }

  /** Of a fiscal year with months left; not of rates, whose months do not add up. */
  private static CloseUpAnswer.@Nullable Required required(
      ResolvedQuery asked, @Nullable Member member) {
    StandingQuery query = asked.query();
    FiscalCalendar calendar = asked.rules().calendar();
    YearMonth last = query.span().toInclusive();
    int left = 12 - calendar.number(last);
    if (query.measure().isRate() || query.basis() instanceof Basis.PriorPeriod) {
      return null;
    }
    Ratio yearGoal =
        read(asked, query.withSpan(calendar.year(calendar.year(last))), member).goalAmount();
    Ratio toDate = read(asked, query.withSpan(calendar.yearToDate(last)), member).actual();
    Ratio perMonth = Pace.required(yearGoal, toDate, left);
    return perMonth == null || yearGoal == null || toDate == null
        ? null
        : new CloseUpAnswer.Required(
            query.measure().text(whole(perMonth)),
            left,
            query.measure().text(yearGoal),
            query.measure().text(toDate),
            perMonth.signum() <= 0);
  }

  private static Reading read(ResolvedQuery asked, StandingQuery query, @Nullable Member member) {
    return (member == null
            ? asked.ledger().total(query)
            : asked.ledger().reading(query, member.id()))
        .reading();
  }

  private List<CloseUpAnswer.Assigned> assigned(
      ResolvedQuery asked, @Nullable Member member, Reading reading) {
    StandingQuery query = asked.query();
    Ratio own = reading.goalAmount();
    if (!(query.basis() instanceof Basis.Set) || own == null || query.measure().isRate()) {
      return List.of();
    }
    List<CloseUpAnswer.Assigned> found = new ArrayList<>();
    for (GoalBook book : assigning(asked)) {
      Goal goal = asked.ledger().assigned(query, book.name(), member == null ? null : member.id());
      if (goal instanceof Goal.Single single) {
        Ratio over = own.signum() <= 0 ? null : single.amount().dividedBy(own).minus(Ratio.ONE);
        found.add(
            new CloseUpAnswer.Assigned(
                book.name(),
                book.axis().word(),
                query.measure().text(single.amount()),
                over == null ? null : over.toText(),
                over == null ? null : Shown.percent(over)));
      }
    }
    return found;
  }

  /**
   * Sets that assign this axis' goal to members of another: those that commission plans take as
   * quota, and while there are no plans any set. Thresholds, ceilings and ranges assign nothing.
   */
  private static List<GoalBook> assigning(ResolvedQuery asked) {
    String measure = asked.query().measure().code();
    List<Plan> plans =
        asked.rules().commission().plans().versions().stream().map(PlanBook.Version::plan).toList();
    Set<String> ceilings = new HashSet<>();
    Set<String> quotas = new HashSet<>();
    for (Plan plan : plans) {
      quotas.add(plan.goalSet());
      if (plan.ceiling() instanceof Bound.OfSet set) {
        ceilings.add(set.goalSet());
      }
    }
    List<GoalBook> others =
        asked.ledger().goalBooks().values().stream()
            .filter(book -> isAssignedTo(book.axis(), asked.query().axis()))
            .filter(book -> book.measures().contains(measure) && !book.isRange(measure))
            .filter(book -> !ceilings.contains(book.name()))
            .sorted(Comparator.comparing(GoalBook::name))
            .toList();
    List<GoalBook> ofPlans = others.stream().filter(book -> quotas.contains(book.name())).toList();
    return ofPlans.isEmpty() && plans.isEmpty() ? others : ofPlans;
  }

  /** Whether each member of an axis belongs to one of another, so that goals may be handed down. */
  private static boolean isAssignedTo(Axis axis, Axis from) {
    return axis == Axis.REP && (from == Axis.REGION || from == Axis.MANAGER)
        || axis == Axis.PRODUCT && from == Axis.LINE;
  }

  private static List<CloseUpAnswer.Parts> parts(ResolvedQuery asked, @Nullable Member member) {
    List<CloseUpAnswer.Parts> parts = new ArrayList<>();
    for (Axis along : alongOf(asked.query().axis(), member == null)) {
      Breakdown taken =
          Breakdown.of(asked.ledger(), asked.query(), member == null ? null : member.id(), along);
      if (taken != null && taken.parts().size() > 1) {
        Ratio whole =
            taken.parts().stream().map(Breakdown.Part::favourable).reduce(Ratio.ZERO, Ratio::plus);
        parts.add(
            new CloseUpAnswer.Parts(
                along.word(),
                taken.split().name().toLowerCase(Locale.ROOT).replace('_', '-'),
                taken.parts().stream().map(part -> part(part, whole, asked)).toList()));
      }
    }
    if (asked.query().measure().isRate()) {
      // its two measures often come from files that name different axes: those tell less
      parts.sort(
          Comparator.comparing(one -> one.parts().stream().anyMatch(p -> p.key().isEmpty())));
    }
    return parts;
  }

  /** One part of a variance; {@code whole} is what all parts add up to, favourable above 0. */
  private static CloseUpAnswer.Part part(Breakdown.Part part, Ratio whole, ResolvedQuery asked) {
    Measure measure = asked.query().measure();
    boolean isOfMiss =
        whole.signum() < 0
            && part.favourable().signum() < 0
            && part.favourable().compareTo(whole) >= 0;
    return new CloseUpAnswer.Part(
        part.member().key(),
        part.member().name(),
        ReadingAnswer.text(measure, part.actual()),
        ReadingAnswer.text(measure, part.goal()),
        measure.text(part.variance()),
        shown(part.variance(), measure),
        measure.text(part.favourable()),
        isOfMiss ? asked.figures().share(part.favourable().dividedBy(whole)) : null);
  }

  /**
   * An amount half up to the smallest unit, or a difference of rates in points of a percent with
   * two decimals.
   */
  private static String shown(Ratio units, Measure measure) {
    return measure.isRate()
        ? units
            .dividedBy(measure.unitsPerOne())
            .times(Ratio.of(100))
            .rounded(2, RoundingMode.HALF_UP)
            .toPlainString()
        : measure.text(whole(units));
  }

  private static List<Axis> alongOf(Axis axis, boolean isTotal) {
    List<Axis> others =
        switch (axis) {
          case REP -> List.of(Axis.LINE, Axis.PRODUCT);
          case REGION, MANAGER -> List.of(Axis.LINE, Axis.REP, Axis.PRODUCT);
          case PRODUCT -> List.of(Axis.REGION, Axis.REP);
          case LINE -> List.of(Axis.REGION, Axis.PRODUCT, Axis.REP);
          case COMPANY -> List.of(Axis.REGION, Axis.LINE, Axis.MANAGER);
        };
    if (!isTotal || axis == Axis.COMPANY) {
      return others;
    }
    List<Axis> all = new ArrayList<>(axis == Axis.REP ? List.of(Axis.REGION) : List.of());
    all.addAll(others);
    all.remove(Axis.PRODUCT);
    return all;
  }

  /**
   * The months of the fiscal year in which the span ends, or of the span where it is longer.
   *
   * @param atOrAbove percent-to-goal of members that are counted, null to say nothing of others
   */
  public PathAnswer path(String key, StandingParameters parameters, @Nullable Ratio atOrAbove) {
    ResolvedQuery asked = reader.read(key, parameters);
    StandingQuery query = asked.query();
    Member member = member(asked.ledger(), query.axis(), key);
    FiscalCalendar calendar = asked.rules().calendar();
    int year = calendar.year(query.span().toInclusive());
    Span months = query.span().length() > 12 ? query.span() : calendar.year(year);
    return new PathAnswer(
        member == null ? "All" : member.name(),
        year,
        months.months().stream()
            .map(
                month ->
                    month(
                        reader.inMonth(asked, month),
                        member,
                        month,
                        toDate(asked, member, months, month),
                        atOrAbove == null ? null : among(asked, month, atOrAbove)))
            .toList());
  }

  /** A fiscal year's months of the whole company, against the goal set on its own axis. */
  public PathAnswer strip(int year, StandingParameters parameters) {
    ResolvedQuery asked = reader.read(parameters);
    StandingQuery query = asked.query().withNarrowing(Narrowing.NONE);
    if (query.basis() instanceof Basis.Set set) {
      Axis axis = goalSets.find(set.name()).map(GoalSets.GoalSet::axis).orElse(query.axis());
      query = query.withAxis(axis);
    }
    ResolvedQuery whole = asked.with(query);
    return new PathAnswer(
        asked.rules().company().name(),
        year,
        asked.rules().calendar().year(year).months().stream()
            .map(month -> month(reader.inMonth(whole, month), null, month, null, null))
            .toList());
  }

  private PathAnswer.MonthAnswer month(
      ResolvedQuery asked,
      @Nullable Member member,
      YearMonth month,
      PathAnswer.@Nullable ToDate toDate,
      PathAnswer.@Nullable Among among) {
    StandingQuery query = asked.query().withSpan(Span.of(month));
    Row row =
        member == null ? asked.ledger().total(query) : asked.ledger().reading(query, member.id());
    FiscalCalendar calendar = asked.rules().calendar();
    return new PathAnswer.MonthAnswer(
        month.toString(),
        calendar.number(month),
        calendar.quarter(month),
        state(asked, query),
        words(asked.with(query)).answer(row.ofAll()),
        toDate,
        among);
  }

  private String state(ResolvedQuery asked, StandingQuery query) {
    if (seals.find(query.span().toInclusive()).isPresent()) {
      return "sealed";
    }
    return asked.ledger().emptyMonths(query.measure(), query.span()).isEmpty() ? "open" : "empty";
  }

  private static PathAnswer.ToDate toDate(
      ResolvedQuery asked, @Nullable Member member, Span months, YearMonth month) {
    Measure measure = asked.query().measure();
    Reading reading =
        read(asked, asked.query().withSpan(new Span(months.fromInclusive(), month)), member);
    return new PathAnswer.ToDate(
        ReadingAnswer.text(measure, reading.actual()),
        ReadingAnswer.text(measure, reading.comparedWith()));
  }

  private static PathAnswer.Among among(ResolvedQuery asked, YearMonth month, Ratio atOrAbove) {
    Measure measure = asked.query().measure();
    Standing all = asked.ledger().standing(asked.query().withSpan(Span.of(month)));
    List<Ratio> actuals =
        all.rows().stream()
            .map(row -> row.reading().actual())
            .filter(Objects::nonNull)
            .map(Ratio::summable)
            .toList();
    Ratio average =
        actuals.isEmpty()
            ? null
            : whole(
                actuals.stream()
                    .reduce(Ratio.ZERO, Ratio::plus)
                    .dividedBy(Ratio.of(actuals.size())));
    return new PathAnswer.Among(
        ReadingAnswer.text(measure, average),
        ReadingAnswer.text(measure, all.total().reading().actual()),
        StandingAnswer.Extreme.of(all.highest(), measure),
        StandingAnswer.Extreme.of(all.lowest(), measure),
        all.atOrBetter(atOrAbove),
        all.membersWithGoal());
  }

  /** In whole smallest units, for what is only looked at. */
  private static Ratio whole(Ratio units) {
    return Ratio.parse(units.rounded(0, RoundingMode.HALF_UP).toPlainString());
  }

  /** Finds a member by its key; null for the total, member-unknown where there is none. */
  public static @Nullable Member member(Ledger ledger, Axis axis, String key) {
    if (key.equals(QueryReader.TOTAL)) {
      return null;
    }
    return ledger
        .members()
        .findByKey(axis, key)
        .orElseThrow(
            () -> Refusal.of("member-unknown", CloseupWords.no(axis.word(), key)).with("key", key));
  }

  private static ProofAnswer.@Nullable DecidingRung rung(StandingQuery query, Status status) {
    Rung rung = status.rung();
    if (rung == null) {
      return null;
    }
    return new ProofAnswer.DecidingRung(
        query.ladder().rungs().indexOf(rung) + 1,
        rung.name(),
        query.ladder().scale().word(),
        rung.lowerBound() == null ? null : rung.lowerBound().toText(),
        rung.lowerBound() == null ? null : rung.above() ? "above" : CloseupWords.AT_OR_ABOVE);
  }

  /** A row of the actual; of a rate one of its numerator. */
  private static ProofAnswer.SourceRow source(
      Ledger.Source source, Map<Integer, String> files, StandingQuery query) {
    Measure measure = query.measure();
    return source(
        source,
        files,
        measure.isRate() ? Objects.requireNonNull(measure.quotient()).over() : measure);
  }

  private static ProofAnswer.SourceRow goalSource(
      Ledger.Source source, Map<Integer, String> files, StandingQuery query) {
    return query.basis() instanceof Basis.Set
        ? source(source, files, query.measure())
        : source(source, files, query);
  }

  private static ProofAnswer.SourceRow source(
      Ledger.Source source, Map<Integer, String> files, Measure measure) {
    return new ProofAnswer.SourceRow(
        source.loadId(),
        files.getOrDefault(source.loadId(), ""),
        source.line(),
        Months.of(source.month()).toString(),
        measure.text(source.amount()),
        List.of());
  }

  static <T> List<T> page(List<T> rows, int page, int size) {
    int from = (int) Math.min((long) page * size, rows.size());
    return rows.subList(from, Math.min(from + size, rows.size()));
  }

  /** What closed months of the span lack of a row or the total, line by line. */
  public CorrectionsAnswer corrections(
      String key, StandingParameters parameters, int page, int size) {
    ResolvedQuery asked = reader.read(key, parameters);
    StandingQuery query = asked.query();
    Measure measure = query.measure();
    Member member = member(asked.ledger(), query.axis(), key);
    Corrections all = asked.corrections();
    if (all == null) {
      return new CorrectionsAnswer(null, 0, page, size, List.of());
    }
    int id = member == null ? Members.NONE : member.id();
    Corrections.Sum sum = member == null ? all.total() : all.of(place -> place.member() == id);
    List<Corrections.Line> lines =
        member == null ? all.lines() : all.lines(place -> place.member() == id);
    Map<Integer, String> files = loads.fileNames();
    return new CorrectionsAnswer(
        measure.text(sum.actual()),
        lines.size(),
        page,
        size,
        page(lines, page, size).stream().map(line -> line(line, asked, files)).toList());
  }

  private static CorrectionsAnswer.Line line(
      Corrections.Line line, ResolvedQuery asked, Map<Integer, String> files) {
    Measure measure = asked.query().measure();
    String amount = measure.text(line.amount());
    return new CorrectionsAnswer.Line(
        line.loadId(),
        files.getOrDefault(line.loadId(), ""),
        line.line(),
        Months.of(line.month()).toString(),
        name(line.then(), asked.reading().both().closed(), asked.query().axis()),
        name(line.now(), asked.reading().both().restated(), asked.query().axis()),
        line.then() == null ? null : amount,
        line.now() == null ? null : amount);
  }

  private static @Nullable String name(
      Corrections.@Nullable Place place, Ledger ledger, Axis axis) {
    return place == null || place.member() < 0
        ? null
        : ledger.members().get(axis, place.member()).name();
  }
}
