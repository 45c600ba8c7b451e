package zealoustarget.server.goals;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;
import zealoustarget.core.Refusal;
import zealoustarget.core.amount.Ratio;
import zealoustarget.server.approval.ProposalAnswer;
import zealoustarget.server.intake.posting.LoadAnswer;
import zealoustarget.server.intake.posting.LoadAnswers;
import zealoustarget.server.intake.upload.Uploads;
import zealoustarget.server.platform.problems.UnknownValue;

/** The Goals desk: a year's sheet, and the draft of whoever asks. Parses and maps only. */
@RestController
@RequestMapping("/api/v1/goals/{goalSet}")
class GoalDraftController {
  private final GoalDesk desk;
  private final GoalDrafts drafts;
  private final DraftSpreads spreads;
  private final GoalLevels levels;
  private final GoalTakeover takeover;
  private final GoalComparison comparison;
  private final GoalFile files;
  private final LoadAnswers loads;

  GoalDraftController(
      GoalDesk desk,
      GoalDrafts drafts,
      DraftSpreads spreads,
      GoalLevels levels,
      GoalTakeover takeover,
      GoalComparison comparison,
      GoalFile files,
      LoadAnswers loads) {
    this.desk = desk;
    this.drafts = drafts;
    this.spreads = spreads;
    this.levels = levels;
    this.takeover = takeover;
    this.comparison = comparison;
    this.files = files;
    this.loads = loads;
  }

  /** Which sheet is meant; {@link GoalDesk.Asked}. */
  record SheetBody(
      @Nullable String axis,
      @Nullable String measure,
      @Nullable Integer year,
      @Nullable String plan)
      implements GoalDesk.OfSheet {}

  /** Cells to change in the draft; a null amount takes the goal away. */
  record DraftBody(
      @Nullable String axis,
      @Nullable String measure,
      @Nullable Integer year,
      @Nullable String plan,
      List<GoalSheets.CellBody> cells)
      implements GoalDesk.OfSheet {}

  /** A cell to spread over; a locked one keeps the goal that it has in the draft. */
  record PartBody(String key, String month, @Nullable String weight, @Nullable Boolean locked) {}

  /**
   * What to spread over cells of the draft; as {@link GoalSpreads.Body}.
   *
   * @param whole of a range the lower ends together; a rate for every cell
   * @param high of a range the upper ends together
   */
  record SpreadBody(
      @Nullable String axis,
      @Nullable String measure,
      @Nullable Integer year,
      @Nullable String plan,
      @Nullable String whole,
      @Nullable String high,
      @Nullable String factor,
      @Nullable String kind,
      @Nullable String step,
      List<PartBody> parts)
      implements GoalDesk.OfSheet {}

  /**
   * What became of a draft, and the sheet after it.
   *
   * @param load null where all of it stood already, or it is proposed
   * @param proposal what waits for a second person; null where it takes none
   */
  record Applied(
      @Nullable LoadAnswer load, @Nullable ProposalAnswer proposal, GoalDeskAnswer desk) {}

  /** A fiscal year's sheet with the draft of whoever asks. */
  @GetMapping("/desk")
  GoalDeskAnswer desk(
      @PathVariable String goalSet,
      @RequestParam(required = false) String axis,
      @RequestParam(required = false) String measure,
      @RequestParam(required = false) Integer year,
      @RequestParam(required = false) String plan,
      @RequestParam(required = false) @Nullable Integer draft) {
    return desk.answer(new GoalDesk.Asked(goalSet, axis, measure, year, plan, draft));
  }

  /**
   * Percentages in the place of the sheet's goals, with the draft of whoever asks.
   *
   * @param show {@code stretch} beyond last year, or {@code share} of the group
   */
  @GetMapping("/desk/percents")
  GoalDesk.PercentsAnswer percents(
      @PathVariable String goalSet,
      @RequestParam(required = false) String axis,
      @RequestParam(required = false) String measure,
      @RequestParam(required = false) Integer year,
      @RequestParam(required = false) @Nullable Integer draft,
      @RequestParam String show) {
    return desk.percents(
        new GoalDesk.Asked(goalSet, axis, measure, year, null, draft), GoalPercents.Kind.of(show));
  }

  /** Changes cells of the draft, all or none; 409 {@code month-sealed}, {@code member-unknown}. */
  @PutMapping("/draft")
  GoalDeskAnswer change(
      @PathVariable String goalSet,
      @RequestBody DraftBody body,
      @RequestParam(required = false) @Nullable Integer draft) {
    GoalDesk.Asked asked = body.of(goalSet, draft);
    if (body.cells() == null) {
      throw Refusal.of("value-missing", GoalsWords.GIVE_CELLS_TO_CHANGE).with("name", "cells");
    }
    GoalSheet sheet = desk.sheet(asked);
    drafts.change(sheet, GoalSheets.changes(sheet, body.cells()));
    return desk.answer(asked);
  }

  /**
   * Spreads over cells of the draft, of a range both ends; a rate is put into each. Refused as
   * {@code POST /goals/spread} is.
   */
  @PostMapping("/draft/spread")
  GoalDeskAnswer spread(
      @PathVariable String goalSet,
      @RequestBody SpreadBody body,
      @RequestParam(required = false) @Nullable Integer draft) {
    GoalDesk.Asked asked = body.of(goalSet, draft);
    GoalSheet sheet = desk.sheet(asked);
    drafts.change(sheet, GoalSheets.changes(sheet, spreads.cells(body, drafted(sheet))));
    return desk.answer(asked);
  }

  /**
   * Which goals to take from another level: {@code down} from those of groups, or {@code up} from
   * those of members, or {@code copy} of another set or year.
   *
   * @param from the goal set that they are taken from
   * @param through a goal set of a level between, whose draft of the same number takes them first
   * @param fromYear fiscal year to copy; the sheet's own without
   * @param factor what the copied goals are multiplied by, 1 without
   */
  record LevelsBody(
      @Nullable String axis,
      @Nullable String measure,
      @Nullable Integer year,
      @Nullable String plan,
      @Nullable String direction,
      @Nullable String from,
      @Nullable String through,
      @Nullable String kind,
      @Nullable String step,
      @Nullable Integer fromYear,
      @Nullable String factor,
      @Nullable List<GoalLevels.Place> locked)
      implements GoalDesk.OfSheet {}

  /**
   * Takes the goals of another level into the draft, month by month; refused as a spread is, naming
   * the group and the month.
   */
  @PostMapping("/draft/levels")
  GoalDeskAnswer levels(
      @PathVariable String goalSet,
      @RequestBody LevelsBody body,
      @RequestParam(required = false) @Nullable Integer draft) {
    GoalDesk.Asked asked = body.of(goalSet, draft);
    GoalSheet sheet = desk.sheet(asked);
    String from = body.from() == null ? "" : body.from();
    List<GoalDrafts.Change> changes;
    if ("up".equals(body.direction())) {
      changes = levels.up(sheet, from);
    } else if ("down".equals(body.direction())) {
      Set<GoalLevels.Place> locked = body.locked() == null ? Set.of() : Set.copyOf(body.locked());
      GoalSheet drafted = drafted(sheet);
      if (body.through() != null) {
        GoalSheet between =
            desk.sheet(
                new GoalDesk.Asked(body.through(), null, body.measure(), body.year(), null, draft));
        GoalLevels.Levels both =
            levels.downThrough(drafted, drafted(between), from, body.kind(), body.step(), locked);
        drafts.changeBoth(between, both.between(), sheet, both.rows());
        return desk.answer(asked);
      }
      changes = levels.down(drafted, from, body.kind(), body.step(), locked);
    } else if ("copy".equals(body.direction())) {
      changes =
          levels.copy(
              sheet,
              from,
              body.fromYear() == null ? sheet.span() : desk.year(body.fromYear()),
              body.factor() == null ? Ratio.ONE : GoalSpreads.factor(body.factor()),
              GoalSpreads.step(body.step(), sheet.measure().scale()));
    } else {
      throw UnknownValue.of("direction", body.direction(), List.of("down", "up", "copy"));
    }
    drafts.change(sheet, changes);
    return desk.answer(asked);
  }

  /**
   * Hands the goals of a member who leaves over to others, or takes goals over for one who joins,
   * in the draft; {@link GoalTakeover.Body}. 400 {@code takes-too-much}, and as a spread.
   */
  @PostMapping("/draft/takeover")
  GoalDeskAnswer takeover(
      @PathVariable String goalSet,
      @RequestBody GoalTakeover.Body body,
      @RequestParam(required = false) @Nullable Integer draft) {
    GoalDesk.Asked asked = body.of(goalSet, draft);
    GoalSheet sheet = desk.sheet(asked);
    drafts.change(sheet, takeover.changes(drafted(sheet), body));
    return desk.answer(asked);
  }

  /** Cells to add up. */
  record CellsBody(
      @Nullable String axis,
      @Nullable String measure,
      @Nullable Integer year,
      @Nullable String plan,
      List<PartBody> parts)
      implements GoalDesk.OfSheet {}

  /**
   * Some cells together, as they stand and as the draft has them; changes nothing. Sums are null
   * for rates and ranges, or where no cell has a goal.
   */
  @PostMapping("/draft/sum")
  GoalDesk.SumAnswer sum(
      @PathVariable String goalSet,
      @RequestBody CellsBody body,
      @RequestParam(required = false) @Nullable Integer draft) {
    GoalSheet sheet = desk.sheet(body.of(goalSet, draft));
    CellReader reader = new CellReader(sheet);
    List<GoalDesk.Place> places = new ArrayList<>();
    for (PartBody part : Objects.requireNonNullElse(body.parts(), List.<PartBody>of())) {
      places.add(new GoalDesk.Place(reader.member(part.key()).id(), reader.number(part.month())));
    }
    return desk.sum(sheet, places);
  }

  private GoalSheet drafted(GoalSheet sheet) {
    return drafts.drafted(sheet, drafts.cells(sheet));
  }

  /**
   * Takes a sheet back that was edited elsewhere, as CSV or as a workbook: what differs becomes
   * changes of the draft. 422 {@code column-missing}; 400 {@code value-unknown} names the lines.
   */
  @PostMapping(path = "/draft/file", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
  GoalDeskAnswer file(
      @PathVariable String goalSet,
      @RequestParam MultipartFile file,
      @RequestParam(required = false) String axis,
      @RequestParam(required = false) String measure,
      @RequestParam(required = false) Integer year,
      @RequestParam(required = false) String plan,
      @RequestParam(required = false) @Nullable Integer draft) {
    GoalDesk.Asked asked = new GoalDesk.Asked(goalSet, axis, measure, year, plan, draft);
    GoalSheet sheet = desk.sheet(asked);
    drafts.change(sheet, files.changes(drafted(sheet), Uploads.of(file)));
    return desk.answer(asked);
  }

  /**
   * Enters the draft as one load, all or nothing. 409 {@code draft-empty}, {@code month-sealed};
   * 412 {@code changed-since} names the cell and who changed it. 202 with {@code proposal} where it
   * takes a second person.
   */
  @PostMapping("/draft/apply")
  ResponseEntity<Applied> apply(
      @PathVariable String goalSet,
      @RequestBody SheetBody body,
      @RequestParam(required = false) @Nullable Integer draft) {
    GoalDesk.Asked asked = body.of(goalSet, draft);
    GoalSheets.Entered entered = drafts.apply(desk.sheet(asked));
    Integer load = entered.load();
    return ResponseEntity.status(entered.proposal() == null ? HttpStatus.OK : HttpStatus.ACCEPTED)
        .body(
            new Applied(
                load == null ? null : loads.whole(load), entered.proposal(), desk.answer(asked)));
  }

  /** Who goes on with a draft, and which of theirs it is. */
  record Handed(String to, int draft, GoalDeskAnswer desk) {}

  /** Who is to go on with a draft. */
  record HandBody(
      @Nullable String axis,
      @Nullable String measure,
      @Nullable Integer year,
      @Nullable String plan,
      @Nullable String to)
      implements GoalDesk.OfSheet {}

  /** Hands the draft to another analyst. 409 {@code draft-empty}, {@code drafts-full}. */
  @PostMapping("/draft/hand")
  Handed hand(
      @PathVariable String goalSet,
      @RequestBody HandBody body,
      @RequestParam(required = false) @Nullable Integer draft) {
    GoalDesk.Asked asked = body.of(goalSet, draft);
    int slot = drafts.hand(desk.sheet(asked), body.to());
    return new Handed(String.valueOf(body.to()).strip(), slot, desk.answer(asked));
  }

  /**
   * Goals side by side: the draft of whoever asks beside other drafts, sets, years and actuals.
   *
   * @param with up to four of {@code stands}, {@code draft:2}, {@code set:2026:quota}, {@code
   *     last-year} and {@code projected}
   */
  @GetMapping("/compared")
  GoalComparison.Answer compared(
      @PathVariable String goalSet,
      @RequestParam(required = false) String axis,
      @RequestParam(required = false) String measure,
      @RequestParam(required = false) Integer year,
      @RequestParam(required = false) @Nullable Integer draft,
      @RequestParam List<String> with) {
    GoalDesk.Asked asked = new GoalDesk.Asked(goalSet, axis, measure, year, null, draft);
    return comparison.compare(desk.sheet(asked), with);
  }

  /** Forgets the draft; one that is not there is no fault. */
  @DeleteMapping("/draft")
  GoalDeskAnswer discard(
      @PathVariable String goalSet,
      @RequestParam(required = false) String axis,
      @RequestParam(required = false) String measure,
      @RequestParam(required = false) Integer year,
      @RequestParam(required = false) String plan,
      @RequestParam(required = false) @Nullable Integer draft) {
    GoalDesk.Asked asked = new GoalDesk.Asked(goalSet, axis, measure, year, plan, draft);
    drafts.discard(desk.sheet(asked));
    return desk.answer(asked);
  }
}
