package zealoustarget.server.intake.corrections;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.http.MediaType;
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
import tools.jackson.databind.JsonNode;
import zealoustarget.core.Refusal;
import zealoustarget.core.intake.ColumnRule;
import zealoustarget.core.intake.LoadKind;
import zealoustarget.core.ledger.columns.PostMode;
import zealoustarget.core.member.Axis;
import zealoustarget.server.files.FileLooker;
import zealoustarget.server.intake.checking.ChangesAnswer;
import zealoustarget.server.intake.checking.ChecksAnswer;
import zealoustarget.server.intake.checking.ControlFile;
import zealoustarget.server.intake.load.LoadRequest;
import zealoustarget.server.intake.load.SnapshotDay;
import zealoustarget.server.intake.posting.LoadAnswer;
import zealoustarget.server.intake.posting.LoadAnswers;
import zealoustarget.server.intake.posting.LoadQueries;
import zealoustarget.server.intake.sheet.ColumnRules;
import zealoustarget.server.intake.sheet.StoredSheetAnswer;
import zealoustarget.server.intake.upload.StagingService;
import zealoustarget.server.intake.upload.Uploads;
import zealoustarget.server.masterdata.GoalSets;
import zealoustarget.server.platform.problems.UnknownValue;

/** Looks into a load and settles what is found in it. Parses and maps only. */
@RestController
@RequestMapping("/api/v1/loads/{id}")
class SettleController {
  /** What is said of a whole load; a part that is null stays as it is. */
  record ReadOptions(
      String kind,
      String goalSet,
      String axis,
      String measure,
      Integer fiscalYear,
      String sheet,
      String asOf,
      String source,
      Map<String, JsonNode> columns) {}

  /** Control totals by measure code, and whether a total line at the end counts as one. */
  record Control(Map<String, String> totals, boolean trailer) {}

  private final LoadQueries looks;
  private final LoadCorrections settling;
  private final StagingService staging;
  private final LoadAnswers answers;
  private final FileLooker looker;

  SettleController(
      LoadQueries looks,
      LoadCorrections settling,
      StagingService staging,
      LoadAnswers answers,
      FileLooker looker) {
    this.looks = looks;
    this.settling = settling;
    this.staging = staging;
    this.answers = answers;
    this.looker = looker;
  }

  /** Lines of the file, at most 500: from a number on, counted from 0, or around a line. */
  @GetMapping("/sheet")
  StoredSheetAnswer sheet(
      @PathVariable int id,
      @RequestParam(defaultValue = "0") int from,
      @RequestParam(required = false) Integer line,
      @RequestParam(defaultValue = "200") int count) {
    return looks.sheet(id, from, line, count);
  }

  @GetMapping("/checks")
  ChecksAnswer checks(@PathVariable int id) {
    return looks.checks(id);
  }

  /** What posting would change; without a mode, in the one that is proposed. */
  @GetMapping("/changes")
  ChangesAnswer changes(
      @PathVariable int id,
      @RequestParam(required = false) String mode,
      @RequestParam(defaultValue = "rep") String axis) {
    return looks.changes(
        id, mode == null ? null : PostMode.findByWord(mode).orElse(null), GoalSets.axis(axis));
  }

  /** Says anew how the file is to be read. */
  @PutMapping("/reading")
  LoadAnswer read(@PathVariable int id, @RequestBody ReadOptions told) {
    staging.change(id, before -> changed(before, told));
    return answers.whole(id);
  }

  @PutMapping("/control")
  LoadAnswer control(@PathVariable int id, @RequestBody Control control) {
    Map<String, String> totals = control.totals() == null ? Map.of() : control.totals();
    staging.change(id, before -> before.withControl(totals, control.trailer()));
    return answers.whole(id);
  }

  /** Takes the control totals from a small file. */
  @PostMapping(path = "/control", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
  LoadAnswer controlFile(@PathVariable int id, @RequestParam MultipartFile file)
      throws IOException {
    List<List<String>> lines = new ArrayList<>();
    looker.open(Uploads.of(file), "").read((line, cells, isCutOff) -> lines.add(cells));
    Map<String, String> totals = ControlFile.read(lines);
    staging.change(id, before -> before.withControl(totals, false));
    return answers.whole(id);
  }

  /** Decides about lines: rewrite a cell, leave out, count, accept. */
  @PostMapping("/fixes")
  LoadAnswer decide(@PathVariable int id, @RequestBody LoadCorrections.Decision decision) {
    settling.decide(id, decision);
    return answers.whole(id);
  }

  /** Takes decisions back, of one line or of all. */
  @DeleteMapping("/fixes")
  LoadAnswer takeBack(@PathVariable int id, @RequestParam(required = false) Integer line) {
    settling.takeBack(id, line);
    return answers.whole(id);
  }

  /** Accepts names for known members, here and from now on. */
  @PostMapping("/names")
  LoadAnswer accept(@PathVariable int id, @RequestBody List<LoadCorrections.Name> names) {
    settling.accept(id, names);
    return answers.whole(id);
  }

  /** Makes the reps and products that the file names, all or none. */
  @PostMapping("/members")
  LoadAnswer make(@PathVariable int id, @RequestBody List<LoadCorrections.NewMember> made) {
    settling.make(id, made);
    return answers.whole(id);
  }

  private static LoadRequest changed(LoadRequest before, ReadOptions told) {
    LoadKind kind =
        told.kind() == null
            ? before.kind()
            : LoadKind.findByWord(told.kind())
                .orElseThrow(
                    () ->
                        UnknownValue.of(
                            "kind", told.kind(), Stream.of(LoadKind.values()).map(LoadKind::word)));
    String axisWord = told.axis();
    Axis axis =
        axisWord == null ? before.axis() : axisWord.isEmpty() ? null : GoalSets.axis(axisWord);
    String goalSet = told.goalSet() == null ? before.goalSet() : told.goalSet();
    if (kind == LoadKind.GOALS || (kind == LoadKind.ACTUALS && axis != null)) {
      axis = axis == null ? Axis.REP : axis;
      goalSet = GoalSets.name(goalSet == null || goalSet.isBlank() ? "quota" : goalSet);
    }
    LoadRequest changed =
        before
            .withKind(kind, goalSet, axis)
            .withMeasure(
                told.measure() == null
                    ? before.measure()
                    : told.measure().isEmpty() ? null : told.measure(),
                told.fiscalYear() == null ? before.fiscalYear() : told.fiscalYear())
            .withSheet(told.sheet() == null ? before.sheet() : told.sheet())
            .withSnapshot(kind == LoadKind.DEALS ? snapshot(before.snapshot(), told) : null);
    if (told.columns() != null) {
      for (Map.Entry<String, JsonNode> column : told.columns().entrySet()) {
        changed =
            changed.withColumn(
                column.getKey(), rule(column.getValue(), changed.column(column.getKey())));
      }
    }
    return changed;
  }

  private static LoadRequest.Snapshot snapshot(
      LoadRequest.@Nullable Snapshot before, ReadOptions told) {
    LoadRequest.Snapshot known = before == null ? LoadRequest.Snapshot.UNKNOWN : before;
    return new LoadRequest.Snapshot(
        told.asOf() == null ? known.asOf() : SnapshotDay.day("asOf", told.asOf()),
        told.source() == null ? known.source() : SnapshotDay.source(told.source()));
  }

  private static ColumnRule rule(JsonNode said, ColumnRule before) {
    try {
      return ColumnRules.rule(said, before);
    } catch (IllegalArgumentException unreadable) {
      throw Refusal.of("mapping-unreadable", CorrectionsWords.COLUMNS_RULE_CANNOT_BE_READ);
    }
  }
}
