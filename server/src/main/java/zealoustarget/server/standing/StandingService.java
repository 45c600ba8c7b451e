package zealoustarget.server.standing;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.calendar.SpanWords;
import zealoustarget.core.ladder.Shading;
import zealoustarget.core.ledger.Basis;
import zealoustarget.core.ledger.Grouped;
import zealoustarget.core.ledger.Months;
import zealoustarget.core.ledger.Narrowing;
import zealoustarget.core.ledger.Sheet;
import zealoustarget.core.ledger.StandingQuery;
import zealoustarget.core.member.Axis;
import zealoustarget.core.member.Member;
import zealoustarget.core.reading.Headline;
import zealoustarget.core.reading.Standing;
import zealoustarget.core.reading.Standing.Row;
import zealoustarget.server.notes.Note;
import zealoustarget.server.notes.NoteStore;
import zealoustarget.server.playbook.RungPart;
import zealoustarget.server.standing.ReadingAnswer.Beside;
import zealoustarget.server.standing.ReadingAnswer.NoteAnswer;
import zealoustarget.server.standing.ReadingAnswer.Words;

/** Answers standings from the ledger in memory; core computes every figure. */
@Service
class StandingService {
  private final QueryReader reader;
  private final NoteStore notes;

  StandingService(QueryReader reader, NoteStore notes) {
    this.reader = reader;
    this.notes = notes;
  }

  /** A row and the key of the group that it stands in, null without groups. */
  private record Placed(Row row, String group) {}

  /** What was read: the whole with all rows, and in groups their subtotals. */
  private record Read(Standing whole, List<Placed> rows, List<Row> groups) {
    boolean hasOwnGoals() {
      return rows.stream().anyMatch(placed -> placed.row().hasGoal());
    }
  }

  StandingAnswer standing(StandingParameters parameters) {
    Asked asked = reader.read(parameters);
    Read read = read(asked, asked.query());
    List<Row> all = read.rows().stream().map(Placed::row).toList();
    Shading shading = asked.shading().inView(favourables(all));
    Words words = new Words(asked.query().measure(), asked.query().ladder(), shading);
    Map<String, Beside> beside = beside(asked, read);
    Map<Integer, List<Note>> written = notes.inSpan(asked.query().span());
    return answer(asked, read, shading, words, beside, written);
  }

  private static Read read(Asked asked, StandingQuery query) {
    if (asked.group() == null) {
      Standing standing = asked.ledger().standing(query);
      return new Read(
          standing, standing.rows().stream().map(row -> new Placed(row, null)).toList(), null);
    }
    Grouped grouped = asked.ledger().grouped(query, asked.group());
    List<Placed> rows =
        grouped.groups().stream()
            .flatMap(
                group ->
                    group.rows().stream().map(row -> new Placed(row, group.total().member().key())))
            .toList();
    return new Read(grouped.whole(), rows, grouped.whole().rows());
  }

  /** What headline and summary are of: the members once each, or the groups with their goals. */
  private static Standing spoken(Asked asked, Read read) {
    StandingQuery query = asked.query();
    Standing whole = read.whole();
    if (asked.group() == null || !read.hasOwnGoals()) {
      return whole;
    }
    if (query.narrowing().isNone()) {
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
        rows.stream().map(row -> row.reading().favourable()).toArray(Ratio[]::new));
  }

  private static StandingAnswer answer(
      Asked asked,
      Read read,
      Shading shading,
      Words words,
      Map<String, Beside> beside,
      Map<Integer, List<Note>> written) {
    StandingQuery query = asked.query();
    Measure measure = query.measure();
    Standing whole = spoken(asked, read);
    Axis spokenOf = asked.group() == null || read.hasOwnGoals() ? query.axis() : asked.group();
    int month = Months.number(query.span().toInclusive());
    List<ReadingAnswer> rows = new ArrayList<>(read.rows().size());
    for (Placed placed : read.rows()) {
      Row row = placed.row();
      Member place = asked.ledger().members().placeOf(query.axis(), row.member().id(), month);
      rows.add(
          words
              .answer(row)
              .at(place == null ? null : place.name(), placed.group())
              .with(PayMarks.of(asked, row))
              .with(beside.get(id(placed)), noteAnswers(written.get(row.member().id()))));
    }
    return new StandingAnswer(
        query.axis().word(),
        measure.code(),
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
        headline(asked, whole, spokenOf),
        words.answer(whole.total()).with(beside.get(""), null),
        new StandingAnswer.NoGoal(
            whole.noGoalMembers(), ReadingAnswer.text(measure, whole.outside().noGoal())),
        new StandingAnswer.Unassigned(
            whole.outside().unassignedLines(),
            ReadingAnswer.text(measure, whole.outside().unassigned())),
        new StandingAnswer.LeftOut(
            whole.leftOut().members(), ReadingAnswer.text(measure, whole.leftOut().actual())),
        openMonth(asked),
        asked.group() == null ? null : asked.group().word(),
        read.groups() == null
            ? null
            : read.groups().stream()
                .map(group -> words.answer(group).with(beside.get(groupId(group)), null))
                .toList(),
        rows,
        StandingAnswer.Summary.of(whole),
        ladderUsed(query),
        limits(asked, shading, measure));
  }

  static List<StandingAnswer.HeadlinePart> headline(Asked asked, Standing whole, Axis axis) {
    SpanWords span = SpanWords.of(asked.query().span(), asked.playbook().calendar());
    var words =
        new Headline.Words(span.text(), span.isPlural(), GoalWords.of(asked.query().basis()));
    return Headline.of(whole, axis, words).stream().map(StandingAnswer.HeadlinePart::of).toList();
  }

  static StandingAnswer.OpenMonth openMonth(Asked asked) {
    return asked.asOf() == null
        ? null
        : new StandingAnswer.OpenMonth(
            asked.asOf().toString(),
            asked.query().days().elapsed(),
            asked.query().days().workingDays());
  }

  static StandingAnswer.LadderUsed ladderUsed(StandingQuery query) {
    return new StandingAnswer.LadderUsed(
        query.ladder().scale().word(), query.ladder().rungs().stream().map(RungPart::of).toList());
  }

  static StandingAnswer.Limits limits(Asked asked, Shading inView, Measure measure) {
    return new StandingAnswer.Limits(
        ReadingAnswer.text(measure, inView.goodLimit()),
        ReadingAnswer.text(measure, inView.badLimit()),
        asked.shading().goodLimit() == null,
        asked.shading().badLimit() == null);
  }

  static List<NoteAnswer> noteAnswers(List<Note> written) {
    return written == null
        ? null
        : written.stream()
            .map(
                note ->
                    new NoteAnswer(
                        note.month().toString(), note.reason(), note.reasonName(), note.text()))
            .toList();
  }

  /** The second basis, of the same rows, by row; the total by the empty text. */
  private static Map<String, Beside> beside(Asked asked, Read first) {
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
    Words words = new Words(query.measure(), query.ladder(), null);
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
  SheetAnswer sheet(StandingParameters parameters) {
    Asked asked = reader.read(parameters);
    Sheet sheet = asked.ledger().sheet(asked.query());
    List<Ratio> all =
        sheet.months().stream()
            .flatMap(month -> month.rows().stream())
            .map(row -> row.reading().favourable())
            .collect(Collectors.toList());
    Shading shading = asked.shading().inView(all);
    Words words = new Words(asked.query().measure(), asked.query().ladder(), shading);
    Map<Integer, SheetAnswer.Cell[]> cells = new LinkedHashMap<>();
    sheet
        .whole()
        .rows()
        .forEach(row -> cells.put(row.member().id(), new SheetAnswer.Cell[sheet.months().size()]));
    List<SheetAnswer.Cell> totals = new ArrayList<>();
    for (int at = 0; at < sheet.months().size(); at++) {
      Standing month = sheet.months().get(at);
      totals.add(SheetAnswer.Cell.of(words.answer(month.total())));
      for (Row row : month.rows()) {
        SheetAnswer.Cell[] of = cells.get(row.member().id());
        if (of != null) {
          of[at] = SheetAnswer.Cell.of(words.answer(row));
        }
      }
    }
    Map<Integer, List<Note>> written = notes.inSpan(asked.query().span());
    Words whole =
        new Words(
            asked.query().measure(),
            asked.query().ladder(),
            asked.shading().inView(favourables(sheet.whole().rows())));
    int last = Months.number(asked.query().span().toInclusive());
    return new SheetAnswer(
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
                  return new SheetAnswer.SheetRow(
                      whole
                          .answer(row)
                          .at(place == null ? null : place.name(), null)
                          .with(null, noteAnswers(written.get(row.member().id()))),
                      Arrays.asList(cells.get(row.member().id())));
                })
            .toList());
  }
}
