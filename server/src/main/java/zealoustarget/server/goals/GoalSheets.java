package zealoustarget.server.goals;

import java.nio.charset.StandardCharsets;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Base64;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import tools.jackson.databind.json.JsonMapper;
import zealoustarget.core.Refusal;
import zealoustarget.core.amount.Amounts;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.calendar.Span;
import zealoustarget.core.ledger.columns.GoalBook;
import zealoustarget.core.member.Axis;
import zealoustarget.core.member.Member;
import zealoustarget.server.approval.ProposalAnswer;
import zealoustarget.server.approval.ProposalKind;
import zealoustarget.server.approval.Proposals;
import zealoustarget.server.audit.Audit;
import zealoustarget.server.intake.entered.EnteredGoals;
import zealoustarget.server.intake.entered.EnteredLoads;
import zealoustarget.server.intake.load.LoadStore;
import zealoustarget.server.ledger.sealing.Seals;
import zealoustarget.server.ledger.state.LedgerService;
import zealoustarget.server.masterdata.GoalSets;
import zealoustarget.server.platform.Sha256;
import zealoustarget.server.platform.problems.UnknownValue;
import zealoustarget.server.platform.state.DataState;
import zealoustarget.server.rules.RulesService;

/** Reads goal sheets and enters changes to them; docs/calculations.md, section 8. */
@Service
public class GoalSheets {
  private static final int LONGEST = 120;

  private final LedgerService ledgers;
  private final RulesService companyRules;
  private final GoalSets goalSets;
  private final Seals seals;
  private final LoadStore loads;
  private final EnteredLoads entered;
  private final Proposals proposals;
  private final DataState state;
  private final JsonMapper json;

  GoalSheets(
      LedgerService ledgers,
      RulesService companyRules,
      GoalSets goalSets,
      Seals seals,
      LoadStore loads,
      EnteredLoads entered,
      Proposals proposals,
      DataState state,
      JsonMapper json) {
    this.proposals = proposals;
    this.json = json;
    this.ledgers = ledgers;
    this.companyRules = companyRules;
    this.goalSets = goalSets;
    this.seals = seals;
    this.loads = loads;
    this.entered = entered;
    this.state = state;
  }

  /**
   * The sheet of a set as it stands.
   *
   * @param axisWord null or blank for the set's own, of a new set the reps
   * @param measureCode null or blank for revenue
   * @throws Refusal axis-differs where the set is for another axis; value-unknown, value-missing
   */
  GoalSheet read(String name, @Nullable String axisWord, @Nullable String measureCode, Span span) {
    String asked = GoalSets.name(name);
    Optional<GoalSets.GoalSet> known = goalSets.find(asked);
    Axis axis =
        axisWord == null || axisWord.isBlank()
            ? known.map(GoalSets.GoalSet::axis).orElse(Axis.REP)
            : GoalSets.axis(axisWord);
    if (known.isPresent() && known.get().axis() != axis) {
      throw Refusal.of(
              "axis-differs",
              GoalsWords.holdsGoals(known.get().name(), known.get().axis().word(), axis.word()))
          .with("axis", known.get().axis().word());
    }
    if (span.length() > LONGEST) {
      throw Refusal.of("span-too-long", GoalsWords.sheetMayHaveMonths(LONGEST, span.length()));
    }
    return new GoalSheet(
        known.map(GoalSets.GoalSet::name).orElse(asked),
        known.isEmpty(),
        axis,
        measure(measureCode),
        span,
        ledgers.current(),
        1);
  }

  /** A measure by its code; value-unknown. */
  Measure measure(@Nullable String code) {
    String asked = code == null || code.isBlank() ? "revenue" : code;
    return companyRules
        .current()
        .findMeasure(asked)
        .filter(measure -> !Measure.isEnd(measure.code()))
        .orElseThrow(
            () ->
                UnknownValue.of(
                    "measure",
                    asked,
                    companyRules.current().measures().stream().map(Measure::code).toList()));
  }

  /** What a save is based on: which sheet was read, and what stood in it. */
  private record Tag(
      String axis, String measure, YearMonth from, YearMonth to, int order, String sum) {
    static @Nullable Tag parse(@Nullable String text) {
      try {
        String[] parts =
            new String(
                    Base64.getUrlDecoder().decode(text == null ? "" : text), StandardCharsets.UTF_8)
                .split("\\|", -1);
        return parts.length != 6
            ? null
            : new Tag(
                parts[0],
                parts[1],
                YearMonth.parse(parts[2]),
                YearMonth.parse(parts[3]),
                Integer.parseInt(parts[4]),
                parts[5]);
      } catch (IllegalArgumentException | java.time.DateTimeException foreign) {
        return null;
      }
    }

    String text() {
      String plain = axis + "|" + measure + "|" + from + "|" + to + "|" + order + "|" + sum;
      return Base64.getUrlEncoder()
          .withoutPadding()
          .encodeToString(plain.getBytes(StandardCharsets.UTF_8));
    }
  }

  /** The tag of a sheet: the same as long as no cell of it changes. */
  String tag(GoalSheet sheet) {
    return new Tag(
            sheet.axis().word(),
            sheet.measure().code(),
            sheet.span().fromInclusive(),
            sheet.span().toInclusive(),
            loads.nextPostOrder() - 1,
            sum(sheet))
        .text();
  }

  /**
   * One load's say about a goal.
   *
   * @param amount null where it took the goal away
   * @param line of its file
   * @param enteredBy null for a file
   */
  record PastAnswer(
      int load,
      String file,
      int line,
      String at,
      @Nullable String enteredBy,
      @Nullable String amount) {}

  /** What posted loads said about one goal, the latest first; that one stands. */
  List<PastAnswer> history(GoalSheet sheet, Member member, YearMonth month) {
    List<PastAnswer> past = new ArrayList<>();
    for (GoalBook.Cell cell :
        ledgers.goalHistory(
            sheet.goalSet(), sheet.measure().code(), Months.number(month), member.id())) {
      LoadStore.Posted load = loads.findPosted(cell.loadId()).orElseThrow();
      past.add(
          0,
          new PastAnswer(
              cell.loadId(),
              load.fileName(),
              cell.line(),
              load.at().toString(),
              load.enteredBy(),
              cell.amount() == Amounts.CLEARED
                  ? null
                  : GoalSheet.amount(cell).text(sheet.measure())));
    }
    return past;
  }

  /** The load that brought a cell, by the name of its file; null where there is none. */
  @Nullable String broughtBy(GoalSheet sheet, int member, int month) {
    GoalBook.Cell cell = sheet.book().cell(sheet.measure().code(), month, member);
    return cell == null
        ? null
        : loads.findPosted(cell.loadId()).map(LoadStore.Posted::fileName).orElse(null);
  }

  private static String sum(GoalSheet sheet) {
    StringBuilder all = new StringBuilder();
    for (GoalBook.Cell cell : sheet.cells()) {
      all.append(cell.month())
          .append(',')
          .append(cell.member())
          .append(',')
          .append(cell.amount())
          .append(',')
          .append(cell.high())
          .append('\n');
    }
    return Sha256.of(all.toString()).substring(0, 32);
  }

  /**
   * A cell as it is to be.
   *
   * @param amount a plain decimal; null takes the goal away, as both ends missing does
   */
  record CellBody(
      String key,
      String month,
      @Nullable String amount,
      @Nullable String low,
      @Nullable String high) {}

  /**
   * Enters changed cells on a sheet that was read: all or nothing.
   *
   * @throws Refusal axis-differs, value-unknown, cell-outside-sheet, goal-member-unknown,
   *     changed-since, month-sealed
   */
  Entered save(
      String name, String axis, String measure, @Nullable String tagText, List<CellBody> cells) {
    return state.getInTurn(() -> saveAlone(name, axis, measure, tagText, cells));
  }

  /**
   * What became of changed cells: a load, a proposal where they take a second person, or neither
   * where nothing changes.
   */
  record Entered(@Nullable Integer load, @Nullable ProposalAnswer proposal) {
    static final Entered NOTHING = new Entered(null, null);
  }

  private Entered saveAlone(
      String name, String axis, String measure, @Nullable String tagText, List<CellBody> cells) {
    Tag tag = Tag.parse(tagText);
    if (tag == null) {
      throw Refusal.of("value-missing", GoalsWords.GIVE_TAG_OF_SHEET).with("name", "tag");
    }
    GoalSheet sheet = read(name, axis, measure, new Span(tag.from(), tag.to()));
    if (!tag.axis().equals(sheet.axis().word()) || !tag.measure().equals(sheet.measure().code())) {
      throw outside(GoalsWords.TAG_IS_OF_ANOTHER_SHEET);
    }
    List<EnteredGoals.Cell> changed = changed(sheet, cells);
    if (!tag.sum().equals(sum(sheet))) {
      throw changedSince(sheet, tag.order());
    }
    return enter(sheet, changed, () -> {});
  }

  /**
   * Enters cells, or proposes them; whoever does has the turn.
   *
   * @param changed those that differ from what stands
   * @param together what is stored in the same transaction
   * @throws Refusal month-sealed
   */
  Entered enter(GoalSheet sheet, List<EnteredGoals.Cell> changed, Runnable together) {
    checkSealed(changed.stream().map(cell -> Months.of(cell.month())).toList());
    if (changed.isEmpty()) {
      return Entered.NOTHING;
    }
    if (proposals.isNeeded(companyRules.current().approval().goals())) {
      GoalProposal proposal = GoalProposal.of(sheet, changed);
      return new Entered(
          null,
          proposals.propose(
              ProposalKind.GOALS, proposal.subject(), json.writeValueAsString(proposal), together));
    }
    return new Entered(post(sheet, changed, Audit.who(), together), null);
  }

  /**
   * Posts changed cells as an entered load; whoever does has the turn.
   *
   * @param changed at least one
   * @param by who entered them
   */
  int post(GoalSheet sheet, List<EnteredGoals.Cell> changed, String by, Runnable together) {
    boolean isRange =
        sheet.isRange()
            || changed.stream()
                .anyMatch(cell -> cell.after() != null && cell.after().high() != null);
    return entered.post(
        new EnteredGoals(sheet.goalSet(), sheet.axis(), sheet.measure(), isRange, changed),
        by,
        together);
  }

  /** Refuses months that are sealed: month-sealed. */
  void checkSealed(List<YearMonth> months) {
    Set<YearMonth> sealed = new TreeSet<>();
    months.stream().filter(month -> seals.find(month).isPresent()).forEach(sealed::add);
    if (!sealed.isEmpty()) {
      List<String> named = sealed.stream().map(YearMonth::toString).toList();
      throw Refusal.of(
              "month-sealed", GoalsWords.monthsAreClosed(String.join(", ", named), named.size()))
          .with("months", named);
    }
  }

  /** Those of some cells that differ from what stands, in their order. */
  private static List<EnteredGoals.Cell> changed(GoalSheet sheet, List<CellBody> cells) {
    List<EnteredGoals.Cell> changed = new ArrayList<>();
    for (GoalDrafts.Change change : changes(sheet, cells)) {
      int month = Months.number(change.month());
      EnteredGoals.Amount before = sheet.amount(change.member().id(), month);
      if (!isSame(before, change.after())) {
        changed.add(new EnteredGoals.Cell(change.member(), month, before, change.after()));
      }
    }
    return changed;
  }

  /**
   * Cells as they are to be, read and checked.
   *
   * @throws Refusal value-unknown, cell-outside-sheet, goal-member-unknown
   */
  static List<GoalDrafts.Change> changes(GoalSheet sheet, List<CellBody> cells) {
    List<GoalDrafts.Change> changes = new ArrayList<>();
    Set<List<Integer>> seen = new HashSet<>();
    CellReader reader = new CellReader(sheet);
    for (CellBody cell : cells) {
      Member member = reader.member(cell.key());
      YearMonth month = reader.month(cell.month());
      if (!sheet.span().contains(month)) {
        throw outside(GoalsWords.isNotMonthOfSheet(month));
      }
      int number = Months.number(month);
      if (!seen.add(List.of(member.id(), number))) {
        throw Refusal.of("value-unknown", GoalsWords.isGivenTwice(member.name(), month))
            .with("name", "cells");
      }
      changes.add(
          new GoalDrafts.Change(member, month, amount(cell, sheet, member.name() + ", " + month)));
    }
    return changes;
  }

  private static EnteredGoals.@Nullable Amount amount(
      CellBody cell, GoalSheet sheet, String where) {
    boolean isEnd = cell.low() != null || cell.high() != null;
    if (isEnd) {
      if (cell.low() == null || cell.high() == null || cell.amount() != null) {
        throw Refusal.of("value-unknown", GoalsWords.giveEitherAmountOrBothEnds(where))
            .with("name", "cells");
      }
      long low = GoalSheet.units(cell.low(), sheet.measure(), where);
      long high = GoalSheet.units(cell.high(), sheet.measure(), where);
      if (high < low) {
        throw Refusal.of("value-unknown", GoalsWords.upperEndOfRangeIsBelow(where))
            .with("name", "cells");
      }
      return new EnteredGoals.Amount(low, high);
    }
    return cell.amount() == null
        ? null
        : new EnteredGoals.Amount(GoalSheet.units(cell.amount(), sheet.measure(), where), null);
  }

  /** Whether two goals are the same; a single amount is the range of one. */
  static boolean isSame(EnteredGoals.@Nullable Amount one, EnteredGoals.@Nullable Amount other) {
    if (one == null || other == null) {
      return one == other;
    }
    return one.low() == other.low() && end(one) == end(other);
  }

  private static long end(EnteredGoals.Amount amount) {
    return amount.high() == null ? amount.low() : amount.high();
  }

  private static Refusal outside(String words) {
    return Refusal.of("cell-outside-sheet", GoalsWords.readSheetThatYouChange(words));
  }

  /** Who changed what since; a reversal leaves no cell to name. */
  private Refusal changedSince(GoalSheet sheet, int order) {
    for (GoalBook.Cell cell : sheet.cells()) {
      LoadStore.Posted load = loads.findPosted(cell.loadId()).orElse(null);
      if (load != null && load.order() > order) {
        return changedSince(
            sheet.ledger().members().get(sheet.axis(), cell.member()).name(),
            Months.of(cell.month()),
            load.fileName());
      }
    }
    return Refusal.of("changed-since", GoalsWords.GOALS_WERE_REVERSED);
  }

  /** What to say where somebody else changed a cell: changed-since. */
  static Refusal changedSince(String member, YearMonth month, @Nullable String fileName) {
    String by = fileName == null ? "" : " (" + fileName + ")";
    return Refusal.of("changed-since", GoalsWords.wasChangedSinceYouRead(member, month, by))
        .with("member", member)
        .with("month", month.toString());
  }
}
