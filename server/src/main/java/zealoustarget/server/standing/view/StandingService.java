package zealoustarget.server.standing.view;

import java.math.RoundingMode;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.calendar.Span;
import zealoustarget.core.calendar.SpanWords;
import zealoustarget.core.ladder.Shading;
import zealoustarget.core.ledger.Corrections;
import zealoustarget.core.ledger.columns.GoalBook;
import zealoustarget.core.ledger.columns.Members;
import zealoustarget.core.ledger.query.Basis;
import zealoustarget.core.ledger.query.Filters;
import zealoustarget.core.ledger.query.Grouped;
import zealoustarget.core.ledger.query.Narrowing;
import zealoustarget.core.ledger.query.SpanSheet;
import zealoustarget.core.ledger.query.StandingQuery;
import zealoustarget.core.member.Axis;
import zealoustarget.core.member.Member;
import zealoustarget.core.reading.CompanyShare;
import zealoustarget.core.reading.Goal;
import zealoustarget.core.reading.Headline;
import zealoustarget.core.reading.Standing;
import zealoustarget.core.reading.Standing.Row;
import zealoustarget.server.intake.posting.LoadService;
import zealoustarget.server.notes.Note;
import zealoustarget.server.notes.NoteStore;
import zealoustarget.server.platform.problems.UnknownValue;
import zealoustarget.server.rules.RungPart;
import zealoustarget.server.rules.StretchesPart;
import zealoustarget.server.standing.query.GoalWords;
import zealoustarget.server.standing.query.QueryReader;
import zealoustarget.server.standing.query.ResolvedQuery;
import zealoustarget.server.standing.query.StandingParameters;
import zealoustarget.server.standing.query.Trial;
import zealoustarget.server.standing.view.ReadingAnswer.Beside;
import zealoustarget.server.standing.view.ReadingAnswer.Beyond;
import zealoustarget.server.standing.view.ReadingAnswer.Correction;
import zealoustarget.server.standing.view.ReadingAnswer.NoteAnswer;
import zealoustarget.server.standing.view.ReadingAnswer.Words;

/** Answers standings from the ledger in memory; core computes every figure. */
@Service
public class StandingService {
  private final QueryReader reader;
  private final NoteStore notes;
  private final LoadService loads;
  private final PayMarker payMarker;

  StandingService(QueryReader reader, NoteStore notes, LoadService loads, PayMarker payMarker) {
    this.payMarker = payMarker;
    this.reader = reader;
    this.notes = notes;
    this.loads = loads;
  }

  /** A row and the key of the group that it stands in, null without groups. */
  private record Placed(Row row, @Nullable String group) {}

  /** What was read: the whole with all rows, and in groups their subtotals. */
  private record Read(
      Standing whole,
      List<Placed> rows,
      @Nullable List<Row> groups,
      Grouped.@Nullable Unsplit unsplit) {
    boolean hasOwnGoals() {
      return unsplit != null || rows.stream().anyMatch(placed -> placed.row().hasGoal());
    }
  }

  /** The standing of an axis in a span, as the parameters narrow and order it. */
  public StandingAnswer standing(StandingParameters parameters) {
    ResolvedQuery asked = reader.read(parameters);
    Read read = read(asked, asked.query());
    List<Row> all = read.rows().stream().map(Placed::row).toList();
    Shading shading = asked.shading().inView(favourables(all));
    Words words = words(asked, asked.query(), shading);
    return new Answering(
            asked,
            read,
            words,
            beside(asked, read, shading),
            notes.inSpan(asked.query().span()),
            asked.corrections(),
            asked.waiting().isEmpty() ? Map.of() : loads.fileNames(),
            payMarks(asked),
            companyShare(asked))
        .answer();
  }

  /** What is compared with where that is a goal of the company and the rows are its members. */
  private static @Nullable CompanyShare companyShare(ResolvedQuery asked) {
    StandingQuery query = asked.query();
    GoalBook book =
        query.basis() instanceof Basis.Set set ? asked.ledger().goalBooks().get(set.name()) : null;
    if (book == null
        || book.axis() != Axis.COMPANY
        || query.axis() == Axis.COMPANY
        || query.measure().isRate()) {
      return null;
    }
    StandingQuery whole = query.withAxis(Axis.COMPANY).withFilters(Filters.NONE);
    return CompanyShare.of(asked.ledger().standing(whole).total().reading());
  }

  /** Of reps in a single month against a goal set; of anything else none. */
  private Map<String, PayMarks> payMarks(ResolvedQuery asked) {
    StandingQuery query = asked.query();
    return asked.trial().isNone()
            && query.axis() == Axis.REP
            && query.span().length() == 1
            && query.basis() instanceof Basis.Set set
        ? payMarker.marks(query.span().toInclusive(), query.measure().code(), set.name())
        : Map.of();
  }

  public static Words words(ResolvedQuery asked, StandingQuery query, @Nullable Shading shading) {
    return new Words(
        query.measure(), asked.ledger().ladder(query), shading, asked.asOf(), query.atPace());
  }

  private static Read read(ResolvedQuery asked, StandingQuery query) {
    if (asked.group() == null) {
      Standing standing = asked.ledger().standing(query);
      return new Read(
          standing,
          standing.rows().stream().map(row -> new Placed(row, null)).toList(),
          null,
          null);
    }
    Grouped grouped = asked.ledger().grouped(query, asked.group());
    List<Placed> rows =
        grouped.groups().stream()
            .flatMap(
                group ->
                    group.rows().stream().map(row -> new Placed(row, group.total().member().key())))
            .toList();
    return new Read(grouped.whole(), rows, grouped.whole().rows(), grouped.unsplit());
  }

  /** What the summary is of: the members once each, or the groups with their goals. */
  private static Standing counted(ResolvedQuery asked, Read read, StandingQuery query) {
    Standing whole = read.whole();
    if (asked.group() == null || !read.hasOwnGoals()) {
      return whole;
    }
    if (asked.query().narrowing().isNone()) {
      return asked.ledger().standing(query);
    }
    return new Standing(
        whole.measure(),
        whole.ladder(),
        whole.total(),
        read.rows().stream().map(Placed::row).toList(),
        whole.outside(),
        whole.leftOut());
  }

  static List<Ratio> favourables(List<Row> rows) {
    return Arrays.asList(
        rows.stream().map(row -> row.spoken().reading().favourable()).toArray(Ratio[]::new));
  }

  /**
   * Puts what was read into an answer.
   *
   * @param corrections null for rates
   * @param files names of files by load, where members wait for one
   */
  private record Answering(
      ResolvedQuery asked,
      Read read,
      Words words,
      Map<String, Beside> beside,
      Map<Integer, List<Note>> written,
      @Nullable Corrections corrections,
      Map<Integer, String> files,
      Map<String, PayMarks> pay,
      @Nullable CompanyShare ofCompany) {

    StandingAnswer answer() {
      StandingQuery query = asked.query();
      Measure measure = query.measure();
      Standing whole = counted(asked, read, query);
      Axis spokenOf = asked.group() == null || read.hasOwnGoals() ? query.axis() : asked.group();
      Standing spoken = spoken(whole, spokenOf);
      Correction inTotal = Correction.of(totalCorrection(), measure);
      return new StandingAnswer(
          query.axis().word(),
          measure.code(),
          asked.rules().company().nameOf(measure.code()),
          measure.unit(),
          measure.scale(),
          measure.direction().name(),
          query.span().fromInclusive().toString(),
          query.span().toInclusive().toString(),
          GoalWords.of(query.basis()),
          query.basis() instanceof Basis.PriorYear || query.basis() instanceof Basis.PriorPeriod,
          asked.beside() == null ? null : GoalWords.of(asked.beside().basis()),
          asked.isRange(),
          asked.ladderWords(),
          asked.reading().word(),
          inTotal,
          asked.ledger().emptyMonths(measure, query.span()).stream()
              .map(YearMonth::toString)
              .toList(),
          headline(asked, spoken, spokenOf, totalCorrection(), ofCompany),
          total(whole),
          new StandingAnswer.NoGoal(
              whole.noGoalMembers(), ReadingAnswer.text(measure, whole.outside().noGoal())),
          new StandingAnswer.Unassigned(
              whole.outside().unassignedLines(),
              ReadingAnswer.text(measure, whole.outside().unassigned())),
          new StandingAnswer.LeftOut(
              whole.leftOut().members(),
              ReadingAnswer.text(measure, whole.leftOut().actual()),
              shortfallShare(spoken.asSpoken())),
          unsplit(measure),
          asked.waiting().isEmpty()
              ? null
              : new StandingAnswer.Waiting(asked.waiting().size(), asked.countsWaiting()),
          StandingAnswer.SpokenCount.of(spoken.asSpoken()),
          openMonth(asked),
          StandingAnswer.CompanyGoal.of(ofCompany, measure),
          asked.group() == null ? null : asked.group().word(),
          read.groups() == null ? null : read.groups().stream().map(this::group).toList(),
          read.rows().stream().map(this::row).toList(),
          StandingAnswer.Summary.of(whole, asked.atOrAbove()),
          ladderUsed(query),
          asked.trial().isNone() ? null : asked.trial().words(query, asked.figures()),
          limits(asked, Objects.requireNonNull(words.shading()), measure),
          asked.stretches().map(StretchesPart::of).orElse(null));
    }

    /** What the rows that are shown hold of the shortfall of all, as the insights count it. */
    private @Nullable String shortfallShare(Standing shown) {
      if (shown.leftOut().members() == 0 || asked.group() != null) {
        return null;
      }
      Ratio all =
          asked
              .ledger()
              .standing(asked.spoken().withNarrowing(Narrowing.NONE))
              .asSpoken()
              .sumOfShortfalls();
      return all.signum() == 0
          ? null
          : asked.figures().share(shown.sumOfShortfalls().dividedBy(all));
    }

    private ReadingAnswer total(Standing whole) {
      return words
          .answer(whole.total())
          .with(
              new Beyond(
                  null, null, beside.get(""), null, null, null, false, null, share(whole.total())));
    }

    private ReadingAnswer group(Row group) {
      int id = group.member().id();
      Corrections.Sum sum =
          corrections == null ? null : corrections.of(place -> place.group() == id);
      return words
          .answer(group)
          .with(
              new Beyond(
                  null,
                  null,
                  beside.get(groupId(group)),
                  null,
                  null,
                  sum == null || sum.lines() == 0
                      ? null
                      : Correction.of(sum, asked.query().measure()),
                  false,
                  null,
                  share(group)));
    }

    private ReadingAnswer row(Placed placed) {
      Row row = placed.row();
      int id = row.member().id();
      int month = Months.number(asked.query().span().toInclusive());
      Member place = asked.ledger().members().placeOf(asked.query().axis(), id, month);
      Integer lastFile = asked.waiting().get(id);
      return words
          .answer(row)
          .with(
              new Beyond(
                  place == null ? null : place.name(),
                  placed.group(),
                  beside.get(id(placed)),
                  noteAnswers(written.get(id)),
                  pay.get(row.member().key()),
                  corrections == null
                      ? null
                      : Correction.of(
                          corrections.of(new Corrections.Place(group(placed), id)),
                          asked.query().measure()),
                  lastFile != null,
                  lastFile == null ? null : files.get(lastFile),
                  share(row)));
    }

    private @Nullable String share(Row row) {
      Ratio actual = row.reading().actual();
      return ofCompany == null || actual == null ? null : ofCompany.percent(actual);
    }

    private int group(Placed placed) {
      return placed.group() == null || placed.group().isEmpty()
          ? Members.NONE
          : asked
              .ledger()
              .members()
              .findByKey(Objects.requireNonNull(asked.group()), placed.group())
              .orElseThrow()
              .id();
    }

    /** Of everything in scope, or of the rows that narrowing kept. */
    private Corrections.@Nullable Sum totalCorrection() {
      if (corrections == null || asked.query().narrowing().isNone()) {
        return corrections == null ? null : corrections.total();
      }
      Set<Corrections.Place> kept =
          read.rows().stream()
              .map(placed -> new Corrections.Place(group(placed), placed.row().member().id()))
              .collect(Collectors.toSet());
      return corrections.of(kept::contains);
    }

    private StandingAnswer.@Nullable Unsplit unsplit(Measure measure) {
      return read.unsplit() == null
          ? null
          : new StandingAnswer.Unsplit(
              read.unsplit().members(),
              read.unsplit().goal() instanceof Goal.Single single
                  ? measure.text(single.amount())
                  : null);
    }

    /** What the headline is of: without members that wait, where they are not counted. */
    private Standing spoken(Standing whole, Axis axis) {
      StandingQuery query = asked.spoken();
      if (query == asked.query() || axis != query.axis()) {
        return whole;
      }
      return asked.ledger().standing(query);
    }
  }

  private static List<StandingAnswer.HeadlinePart> headline(
      ResolvedQuery asked,
      Standing whole,
      Axis axis,
      Corrections.@Nullable Sum corrections,
      @Nullable CompanyShare ofCompany) {
    StandingQuery query = asked.query();
    SpanWords span = SpanWords.of(query.span(), asked.rules().calendar());
    var words =
        new Headline.Words(
            span.text(), span.isPlural(), GoalWords.of(query.basis()), asked.figures());
    var scope =
        new Headline.Scope(
            SpanWords.name(query.span().toInclusive()),
            query.atPace() ? null : query.days(),
            query.span().length(),
            asked.ledger().emptyMonths(query.measure(), query.span()).stream()
                .map(SpanWords::name)
                .toList(),
            asked.spoken() == query ? List.of() : waitingNames(asked),
            asked.reading().isRestated() && asked.hasClosedMonths(),
            corrections == null || corrections.lines() == 0 ? null : Ratio.of(corrections.actual()),
            ofCompany);
    Stream<StandingAnswer.HeadlinePart> trial =
        asked.trial().isNone()
            ? Stream.empty()
            : Stream.of(
                StandingAnswer.HeadlinePart.plain(
                    Trial.sentence(asked.trial().words(query, asked.figures()))));
    return Stream.concat(
            trial,
            Headline.of(whole, axis, words, scope).stream().map(StandingAnswer.HeadlinePart::of))
        .toList();
  }

  private static List<String> waitingNames(ResolvedQuery asked) {
    return asked.waiting().keySet().stream()
        .map(id -> asked.ledger().members().get(asked.query().axis(), id).name())
        .sorted()
        .toList();
  }

  static StandingAnswer.@Nullable OpenMonth openMonth(ResolvedQuery asked) {
    return asked.asOf() == null
        ? null
        : new StandingAnswer.OpenMonth(
            asked.asOf().toString(),
            Objects.requireNonNull(asked.query().days()).elapsed(),
            asked.query().days().workingDays());
  }

  static StandingAnswer.LadderUsed ladderUsed(StandingQuery query) {
    return new StandingAnswer.LadderUsed(
        query.ladder().scale().word(),
        query.ladder().rungs().stream().map(RungPart::of).toList(),
        query.ladder().perMonth());
  }

  static StandingAnswer.Limits limits(ResolvedQuery asked, Shading inView, Measure measure) {
    return new StandingAnswer.Limits(
        ReadingAnswer.text(measure, inView.goodLimit()),
        ReadingAnswer.text(measure, inView.badLimit()),
        asked.shading().goodLimit() == null,
        asked.shading().badLimit() == null);
  }

  static @Nullable List<NoteAnswer> noteAnswers(@Nullable List<Note> written) {
    return written == null
        ? null
        : written.stream()
            .map(
                note ->
                    new NoteAnswer(
                        note.month().toString(), note.reason(), note.reasonName(), note.text()))
            .toList();
  }

  /**
   * The second basis, of the same rows, by row; the total by the empty text. One shading for both,
   * so that equal tones are equal variances.
   */
  private static Map<String, Beside> beside(ResolvedQuery asked, Read first, Shading shading) {
    if (asked.beside() == null) {
      return Map.of();
    }
    boolean isNarrowed = !asked.query().narrowing().isNone();
    Narrowing same =
        isNarrowed
            ? Narrowing.to(
                first.rows().stream()
                    .map(placed -> placed.row().member().id())
                    .collect(Collectors.toSet()))
            : Narrowing.NONE;
    if (isNarrowed && first.rows().isEmpty()) {
      return Map.of();
    }
    StandingQuery query = asked.beside().withNarrowing(same);
    Words words = words(asked, query, shading);
    Read read = read(asked, query);
    Map<String, Beside> beside = new HashMap<>();
    beside.put("", ReadingAnswer.beside(read.whole().total(), words));
    read.rows()
        .forEach(placed -> beside.put(id(placed), ReadingAnswer.beside(placed.row(), words)));
    if (read.groups() != null) {
      read.groups().forEach(row -> beside.put(groupId(row), ReadingAnswer.beside(row, words)));
    }
    return beside;
  }

  private static String id(Placed placed) {
    return "r" + placed.group() + "\n" + placed.row().member().key();
  }

  private static String groupId(Row group) {
    return "g" + group.member().key();
  }

  /** The span's months side by side. */
  public SpanSheetAnswer sheet(StandingParameters parameters) {
    ResolvedQuery asked = reader.read(parameters);
    SpanSheet sheet = asked.ledger().sheet(asked.query());
    List<Ratio> all =
        sheet.months().stream()
            .flatMap(month -> month.rows().stream())
            .map(row -> row.spoken().reading().favourable())
            .collect(Collectors.toList());
    Shading shading = asked.shading().inView(all);
    Map<Integer, SpanSheetAnswer.Cell[]> cells = new LinkedHashMap<>();
    sheet
        .whole()
        .rows()
        .forEach(
            row -> cells.put(row.member().id(), new SpanSheetAnswer.Cell[sheet.months().size()]));
    List<SpanSheetAnswer.Cell> totals = new ArrayList<>();
    for (int at = 0; at < sheet.months().size(); at++) {
      Standing month = sheet.months().get(at);
      Words words =
          new Words(month.measure(), month.ladder(), shading, asked.asOf(), asked.query().atPace());
      totals.add(SpanSheetAnswer.Cell.of(words.answer(month.total())));
      for (Row row : month.rows()) {
        SpanSheetAnswer.Cell[] of = cells.get(row.member().id());
        if (of != null) {
          of[at] = SpanSheetAnswer.Cell.of(words.answer(row));
        }
      }
    }
    Map<Integer, List<Note>> written = notes.inSpan(asked.query().span());
    Words whole =
        words(asked, asked.query(), asked.shading().inView(favourables(sheet.whole().rows())));
    int last = Months.number(asked.query().span().toInclusive());
    return new SpanSheetAnswer(
        asked.query().span().months().stream().map(Object::toString).toList(),
        whole.answer(sheet.whole().total()),
        totals,
        sheet.whole().rows().stream()
            .map(
                row -> {
                  Member place =
                      asked
                          .ledger()
                          .members()
                          .placeOf(asked.query().axis(), row.member().id(), last);
                  return new SpanSheetAnswer.SheetRow(
                      whole
                          .answer(row)
                          .with(
                              new Beyond(
                                  place == null ? null : place.name(),
                                  null,
                                  null,
                                  noteAnswers(written.get(row.member().id())),
                                  null,
                                  null,
                                  asked.waiting().containsKey(row.member().id()),
                                  null,
                                  null)),
                      Arrays.asList(cells.get(row.member().id())));
                })
            .toList());
  }

  /**
   * The standing beside another one: of the span before, of a year before, or without a load.
   *
   * @param with {@code before}, {@code year} or {@code load:NUMBER}
   */
  ComparisonAnswer comparison(StandingParameters parameters, String with) {
    StandingQuery query = reader.read(parameters).query();
    StandingAnswer now = standing(parameters.ungrouped());
    StandingAnswer then = standing(other(parameters.ungrouped(), query.span(), with));
    Map<String, ReadingAnswer> before = new LinkedHashMap<>();
    then.rows().forEach(row -> before.put(row.key(), row));
    List<ComparisonAnswer.Pair> pairs = new ArrayList<>();
    for (ReadingAnswer row : now.rows()) {
      pairs.add(pair(row, row, before.remove(row.key()), query.measure()));
    }
    before.values().forEach(row -> pairs.add(pair(row, null, row, query.measure())));
    return new ComparisonAnswer(
        now, then, pair(now.total(), now.total(), then.total(), query.measure()), pairs);
  }

  private static StandingParameters other(StandingParameters now, Span span, String with) {
    if (with.startsWith("load:")) {
      return now.without(with.substring("load:".length()));
    }
    Span other =
        switch (with) {
          case "before" -> span.before();
          case "year" -> span.yearBefore();
          default -> throw UnknownValue.of("with", with, List.of("before", "year", "load:NUMBER"));
        };
    return now.in(other);
  }

  /** What was and what is of one row; {@code either} of both says whose it is. */
  private static ComparisonAnswer.Pair pair(
      ReadingAnswer either,
      @Nullable ReadingAnswer now,
      @Nullable ReadingAnswer then,
      Measure measure) {
    return new ComparisonAnswer.Pair(
        either.key(), either.name(), now, then, change(now, then, measure));
  }

  /** How far the actual moved; null where it is not on both sides. */
  private static @Nullable String change(
      @Nullable ReadingAnswer now, @Nullable ReadingAnswer then, Measure measure) {
    String to = now == null ? null : now.actual();
    String from = then == null ? null : then.actual();
    if (to == null || from == null) {
      return null;
    }
    Ratio moved = Ratio.parse(to).minus(Ratio.parse(from));
    return measure.isRate()
        ? moved.times(Ratio.of(100)).rounded(2, RoundingMode.HALF_UP).toPlainString()
        : moved.toText(measure.scale());
  }
}
