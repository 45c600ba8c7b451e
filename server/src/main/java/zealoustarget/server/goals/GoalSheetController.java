package zealoustarget.server.goals;

import java.time.YearMonth;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;
import zealoustarget.core.Refusal;
import zealoustarget.core.amount.Writing;
import zealoustarget.core.calendar.Span;
import zealoustarget.server.approval.ProposalAnswer;
import zealoustarget.server.intake.posting.LoadAnswer;
import zealoustarget.server.intake.posting.LoadAnswers;
import zealoustarget.server.masterdata.GoalSets;
import zealoustarget.server.platform.http.Downloads;
import zealoustarget.server.platform.storage.TemporaryFiles;
import zealoustarget.server.rules.RulesService;
import zealoustarget.server.standing.export.Exports;
import zealoustarget.server.standing.query.QueryReader;

/** Goal sheets: read, entered, and a whole spread over cells. Parses and maps only. */
@RestController
@RequestMapping("/api/v1/goals")
class GoalSheetController {
  private final GoalSheets sheets;
  private final GoalSpreads spreads;
  private final GoalDesk desk;
  private final LoadAnswers loads;
  private final RulesService companyRules;
  private final TemporaryFiles temporary;
  private final GoalSetChanges changes;

  GoalSheetController(
      GoalSheets sheets,
      GoalSpreads spreads,
      GoalDesk desk,
      LoadAnswers loads,
      RulesService companyRules,
      TemporaryFiles temporary,
      GoalSetChanges changes) {
    this.changes = changes;
    this.desk = desk;
    this.companyRules = companyRules;
    this.temporary = temporary;
    this.sheets = sheets;
    this.spreads = spreads;
    this.loads = loads;
  }

  /** Changed cells of a sheet that was read. */
  record SheetBody(
      String axis, String measure, @Nullable String tag, List<GoalSheets.CellBody> cells) {}

  /**
   * What a save made.
   *
   * @param load the entered load; null where nothing changed, or it is proposed
   * @param proposal what waits for a second person; null where it takes none
   */
  record Saved(@Nullable LoadAnswer load, @Nullable ProposalAnswer proposal) {}

  /** The goals of a set over some months, with the tag that a save is based on. */
  @GetMapping("/{goalSet}")
  GoalSheetAnswer read(
      @PathVariable String goalSet,
      @RequestParam(required = false) String axis,
      @RequestParam(required = false) String measure,
      @RequestParam String from,
      @RequestParam String to) {
    GoalSheet sheet = sheets.read(goalSet, axis, measure, span(from, to));
    return GoalSheetAnswer.of(sheet, sheets.tag(sheet));
  }

  /** A fiscal year's sheet with the caller's draft, in the form in which it can be loaded. */
  @GetMapping("/{goalSet}/sheet.csv")
  ResponseEntity<StreamingResponseBody> csv(
      @PathVariable String goalSet,
      @RequestParam(required = false) String axis,
      @RequestParam(required = false) String measure,
      @RequestParam(required = false) Integer year,
      @RequestParam(required = false) @Nullable Integer draft) {
    Exports.Table table =
        GoalExport.table(
            desk.answer(new GoalDesk.Asked(goalSet, axis, measure, year, null, draft)), false);
    Writing writing = companyRules.current().company().writing();
    return Downloads.of(goalSet + ".csv", Downloads.CSV, out -> Exports.csv(table, writing, out));
  }

  /** The same as a workbook, in which quarters, the year and the total are formulas. */
  @GetMapping("/{goalSet}/sheet.xlsx")
  ResponseEntity<StreamingResponseBody> workbook(
      @PathVariable String goalSet,
      @RequestParam(required = false) String axis,
      @RequestParam(required = false) String measure,
      @RequestParam(required = false) Integer year,
      @RequestParam(required = false) @Nullable Integer draft) {
    Exports.Table table =
        GoalExport.table(
            desk.answer(new GoalDesk.Asked(goalSet, axis, measure, year, null, draft)), true);
    return Downloads.of(
        goalSet + ".xlsx",
        Downloads.WORKBOOK,
        out -> Exports.workbook(table, temporary.create("goals", ".xlsx"), out));
  }

  /** What posted loads said about one goal, the latest first. */
  @GetMapping("/{goalSet}/history")
  List<GoalSheets.PastAnswer> history(
      @PathVariable String goalSet,
      @RequestParam(required = false) String axis,
      @RequestParam(required = false) String measure,
      @RequestParam String key,
      @RequestParam String month) {
    YearMonth asked = QueryReader.month("month", month);
    GoalSheet sheet = sheets.read(goalSet, axis, measure, Span.of(asked));
    return sheets.history(sheet, sheet.member(key), asked);
  }

  /**
   * Enters changed cells, all or nothing. 400 {@code cell-outside-sheet}; 409 {@code month-sealed},
   * {@code member-unknown}, {@code axis-differs}; 412 {@code changed-since}. 202 with {@code
   * proposal} where it takes a second person.
   */
  @PutMapping("/{goalSet}")
  ResponseEntity<Saved> save(@PathVariable String goalSet, @RequestBody SheetBody body) {
    if (body.cells() == null) {
      throw Refusal.of("value-missing", GoalsWords.GIVE_CHANGED_CELLS).with("name", "cells");
    }
    GoalSheets.Entered entered =
        sheets.save(goalSet, body.axis(), body.measure(), body.tag(), body.cells());
    Integer load = entered.load();
    return ResponseEntity.status(entered.proposal() == null ? HttpStatus.OK : HttpStatus.ACCEPTED)
        .body(new Saved(load == null ? null : loads.whole(load), entered.proposal()));
  }

  /**
   * Spreads a whole over cells; changes nothing. 400 {@code weights-all-zero}, {@code
   * weight-negative}, {@code locked-exceed-whole}, {@code nothing-to-spread-over}.
   */
  @PostMapping("/spread")
  GoalSpreads.Answer spread(@RequestBody GoalSpreads.Body body) {
    return spreads.spread(body);
  }

  /**
   * What becomes of a set.
   *
   * @param name another name; null leaves it
   * @param isRetired whether it is no longer offered; null leaves that
   */
  record SetBody(@Nullable String name, @Nullable Boolean isRetired) {}

  /**
   * Renames a goal set, or takes it out of what is offered. 404 {@code goal-set-unknown}; 409
   * {@code goal-set-exists}, {@code goal-set-in-use} says what names it.
   */
  @PutMapping("/{goalSet}/set")
  GoalSets.GoalSet change(@PathVariable String goalSet, @RequestBody SetBody body) {
    if (body.name() == null && body.isRetired() == null) {
      throw Refusal.of("value-missing", GoalsWords.NOTHING_TO_CHANGE_OF_SET).with("name", "name");
    }
    if (body.name() == null) {
      return changes.retire(goalSet, Boolean.TRUE.equals(body.isRetired()));
    }
    if (body.isRetired() != null) {
      changes.retire(goalSet, body.isRetired());
    }
    return changes.rename(goalSet, body.name());
  }

  static Span span(String from, String to) {
    YearMonth first = QueryReader.month("from", from);
    YearMonth last = QueryReader.month("to", to);
    if (last.isBefore(first)) {
      throw Refusal.of("span-backwards", GoalsWords.spanIsBackwards(last, first));
    }
    return new Span(first, last);
  }
}
