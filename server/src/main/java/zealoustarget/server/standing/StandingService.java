package zealoustarget.server.standing;

import java.time.YearMonth;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Service;
import zealoustarget.core.Refusal;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.calendar.Span;
import zealoustarget.core.calendar.SpanWords;
import zealoustarget.core.ladder.Rung;
import zealoustarget.core.ledger.Basis;
import zealoustarget.core.ledger.Ledger;
import zealoustarget.core.ledger.Members;
import zealoustarget.core.ledger.Months;
import zealoustarget.core.ledger.StandingQuery;
import zealoustarget.core.member.Axis;
import zealoustarget.core.member.Member;
import zealoustarget.core.reading.Explanation;
import zealoustarget.core.reading.Headline;
import zealoustarget.core.reading.Reading;
import zealoustarget.core.reading.Standing;
import zealoustarget.core.reading.Status;
import zealoustarget.server.intake.GoalSets;
import zealoustarget.server.intake.LoadService;
import zealoustarget.server.ledger.LedgerService;
import zealoustarget.server.playbook.Playbook;
import zealoustarget.server.playbook.PlaybookService;

/** Answers standings, proofs and paths from the ledger in memory; core computes every figure. */
@Service
class StandingService {
  /** The key that asks for everything in scope instead of one member. */
  static final String TOTAL = "*";

  private final LedgerService ledgers;
  private final PlaybookService playbooks;
  private final QueryReader reader;
  private final LoadService loads;
  private final GoalSets goalSets;

  StandingService(
      LedgerService ledgers,
      PlaybookService playbooks,
      QueryReader reader,
      LoadService loads,
      GoalSets goalSets) {
    this.ledgers = ledgers;
    this.playbooks = playbooks;
    this.reader = reader;
    this.loads = loads;
    this.goalSets = goalSets;
  }

  StandingAnswer standing(StandingParameters parameters) {
    Ledger ledger = ledgers.current();
    Playbook playbook = playbooks.current();
    StandingQuery query = reader.read(parameters, ledger, playbook);
    Standing standing = ledger.standing(query);
    SpanWords span = SpanWords.of(query.span(), playbook.calendar());
    var words = new Headline.Words(span.text(), span.isPlural(), goalWords(query.basis()));
    return new StandingAnswer(
        query.axis().word(),
        query.measure().code(),
        query.measure().unit(),
        query.measure().scale(),
        query.measure().direction().name(),
        query.span().fromInclusive().toString(),
        query.span().toInclusive().toString(),
        goalWords(query.basis()),
        ladderWords(query, playbook),
        Headline.of(standing, query.axis(), words).stream()
            .map(StandingAnswer.HeadlinePart::of)
            .toList(),
        total(query, standing.total(), standing.totalStatus()),
        new StandingAnswer.NoGoal(
            standing.noGoalMembers(), query.measure().text(standing.noGoalActual())),
        new StandingAnswer.Unassigned(
            standing.unassignedLines(), query.measure().text(standing.unassigned())),
        standing.rows().stream().map(row -> row(query, ledger.members(), row)).toList(),
        StandingAnswer.Summary.of(standing));
  }

  ProofAnswer proof(String key, StandingParameters parameters, int page, int size) {
    Ledger ledger = ledgers.current();
    Playbook playbook = playbooks.current();
    StandingQuery query = reader.read(parameters, ledger, playbook);
    Member member = member(ledger, query.axis(), key);
    Standing standing = ledger.standing(query);
    Standing.Row row = member == null ? null : findRow(standing, member, ledger, query);
    Reading reading = row == null ? standing.total() : row.reading();
    Status status = row == null ? standing.totalStatus() : row.status();
    Integer id = member == null ? null : member.id();
    List<Ledger.Source> rows = ledger.actualSources(query, id);
    List<Ledger.Source> goalRows = ledger.goalSources(query, id);
    Map<Integer, String> files = loads.fileNames();
    return new ProofAnswer(
        row == null ? total(query, reading, status) : row(query, ledger.members(), row),
        Explanation.of(reading, query.measure()).stream()
            .map(e -> new ProofAnswer.Formula(e.figure(), e.formula(), e.value(), e.why()))
            .toList(),
        rung(query, status),
        ladderWords(query, playbook),
        goalWords(query.basis()),
        page,
        size,
        rows.size(),
        page(rows, page, size).stream().map(source -> source(source, files, query)).toList(),
        goalRows.size(),
        page(goalRows, 0, size).stream().map(source -> source(source, files, query)).toList());
  }

  /** The months of the fiscal year in which the span ends, or of the span where it is longer. */
  PathAnswer path(String key, StandingParameters parameters) {
    Ledger ledger = ledgers.current();
    Playbook playbook = playbooks.current();
    StandingQuery query = reader.read(parameters, ledger, playbook);
    Member member = member(ledger, query.axis(), key);
    int year = playbook.calendar().year(query.span().toInclusive());
    Span fiscalYear = playbook.calendar().year(year);
    Span months = query.span().length() > 12 ? query.span() : fiscalYear;
    return new PathAnswer(
        member == null ? "All" : member.name(),
        year,
        months.months().stream()
            .map(month -> month(query, ledger, playbook, member, month))
            .toList());
  }

  /** A fiscal year's months of the whole company, against the goal set on its own axis. */
  PathAnswer strip(int year, StandingParameters parameters) {
    Ledger ledger = ledgers.current();
    Playbook playbook = playbooks.current();
    Span months = playbook.calendar().year(year);
    StandingQuery asked = reader.read(parameters, ledger, playbook);
    Axis axis =
        asked.basis() instanceof Basis.Set set
            ? goalSets.find(set.name()).map(GoalSets.GoalSet::axis).orElse(asked.axis())
            : asked.axis();
    StandingQuery query =
        new StandingQuery(
            axis, asked.measure(), asked.span(), asked.basis(), asked.filters(), asked.ladder());
    return new PathAnswer(
        playbook.companyName(),
        year,
        months.months().stream()
            .map(month -> month(query, ledger, playbook, null, month))
            .toList());
  }

  private static PathAnswer.MonthAnswer month(
      StandingQuery query, Ledger ledger, Playbook playbook, Member member, YearMonth month) {
    StandingQuery monthQuery = query.withSpan(Span.of(month));
    Reading reading =
        member == null ? ledger.total(monthQuery) : ledger.reading(monthQuery, member.id());
    Status status = Status.of(reading, query.ladder(), unitsPerOne(query), null);
    return new PathAnswer.MonthAnswer(
        month.toString(),
        playbook.calendar().number(month),
        playbook.calendar().quarter(month),
        ledger.hasActuals(monthQuery) ? "open" : "empty",
        ReadingAnswer.of(null, null, null, reading, status, query.measure(), query.ladder()));
  }

  private static Member member(Ledger ledger, Axis axis, String key) {
    if (key.equals(TOTAL)) {
      return null;
    }
    return ledger
        .members()
        .findByKey(axis, key)
        .orElseThrow(
            () ->
                Refusal.of("member-unknown", "There is no " + axis.word() + " \"" + key + "\".")
                    .with("key", key));
  }

  /** The member's row, or its reading without a posted line and goal. */
  private static Standing.Row findRow(
      Standing standing, Member member, Ledger ledger, StandingQuery query) {
    Optional<Standing.Row> found =
        standing.rows().stream().filter(row -> row.member().id() == member.id()).findFirst();
    return found.orElseGet(
        () -> {
          Reading reading = ledger.reading(query, member.id());
          return new Standing.Row(
              member, reading, Status.of(reading, query.ladder(), unitsPerOne(query), null));
        });
  }

  private static ReadingAnswer row(StandingQuery query, Members members, Standing.Row row) {
    return ReadingAnswer.of(
        row.member().key(),
        row.member().name(),
        place(query, members, row.member().id()),
        row.reading(),
        row.status(),
        query.measure(),
        query.ladder());
  }

  private static ReadingAnswer total(StandingQuery query, Reading reading, Status status) {
    return ReadingAnswer.of(null, null, null, reading, status, query.measure(), query.ladder());
  }

  private static String place(StandingQuery query, Members members, int id) {
    int month = Months.number(query.span().toInclusive());
    int place =
        switch (query.axis()) {
          case REP -> members.regionOf(id, month);
          case PRODUCT -> members.lineOf(id);
          default -> Members.NONE;
        };
    Axis axis = query.axis() == Axis.REP ? Axis.REGION : Axis.LINE;
    return place < 0 ? null : members.get(axis, place).name();
  }

  private static ProofAnswer.DecidingRung rung(StandingQuery query, Status status) {
    Rung rung = status.rung();
    if (rung == null) {
      return null;
    }
    return new ProofAnswer.DecidingRung(
        query.ladder().rungs().indexOf(rung) + 1,
        rung.name(),
        query.ladder().scale().word(),
        rung.lowerBound() == null ? null : rung.lowerBound().toText(),
        rung.lowerBound() == null ? null : rung.above() ? "above" : "at or above");
  }

  private static ProofAnswer.SourceRow source(
      Ledger.Source source, Map<Integer, String> files, StandingQuery query) {
    return new ProofAnswer.SourceRow(
        source.loadId(),
        files.get(source.loadId()),
        source.line(),
        Months.of(source.month()).toString(),
        query.measure().text(source.amount()));
  }

  private static List<Ledger.Source> page(List<Ledger.Source> rows, int page, int size) {
    int from = (int) Math.min((long) page * size, rows.size());
    return rows.subList(from, Math.min(from + size, rows.size()));
  }

  private static String goalWords(Basis basis) {
    if (basis instanceof Basis.Set set) {
      return set.name();
    }
    if (basis instanceof Basis.PriorYear prior) {
      return "last year" + times(prior.factor());
    }
    return basis instanceof Basis.PriorPeriod prior
        ? "the period before" + times(prior.factor())
        : "no goal";
  }

  private static String times(Ratio factor) {
    return factor.equals(Ratio.ONE) ? "" : " × " + factor.toText();
  }

  private static String ladderWords(StandingQuery query, Playbook playbook) {
    String goalSet = query.basis() instanceof Basis.Set set ? set.name() : null;
    return playbook.ladderWords(query.measure(), goalSet, query.axis());
  }

  private static Ratio unitsPerOne(StandingQuery query) {
    return Ratio.powerOfTen(query.measure().scale());
  }
}
