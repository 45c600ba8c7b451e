package zealoustarget.server.intake.posting;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonUnwrapped;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;
import zealoustarget.core.Refusal;
import zealoustarget.core.intake.ColumnRule;
import zealoustarget.core.intake.LoadKind;
import zealoustarget.core.ledger.columns.PostMode;
import zealoustarget.core.member.Axis;
import zealoustarget.server.approval.ProposalAnswer;
import zealoustarget.server.intake.checking.ControlTotals;
import zealoustarget.server.intake.load.LoadRequest;
import zealoustarget.server.intake.load.LoadStore;
import zealoustarget.server.intake.load.SnapshotDay;
import zealoustarget.server.intake.sheet.ColumnRules;
import zealoustarget.server.intake.upload.StagingService;
import zealoustarget.server.intake.upload.Uploads;
import zealoustarget.server.masterdata.GoalSets;
import zealoustarget.server.platform.problems.UnknownValue;
import zealoustarget.server.platform.storage.Space;

/** Files on their way: stage, look at, post, reverse. Parses and maps only. */
@RestController
@RequestMapping("/api/v1/loads")
public class LoadController {
  private static final List<Axis> BESIDE =
      List.of(Axis.REP, Axis.REGION, Axis.PRODUCT, Axis.COMPANY);

  private final StagingService staging;
  private final LoadProposals proposals;
  private final LoadService loads;
  private final LoadStore store;
  private final LoadAnswers answers;
  private final Space space;
  private final JsonMapper json;

  LoadController(
      StagingService staging,
      LoadProposals proposals,
      LoadService loads,
      LoadStore store,
      LoadAnswers answers,
      Space space,
      JsonMapper json) {
    this.proposals = proposals;
    this.space = space;
    this.staging = staging;
    this.loads = loads;
    this.store = store;
    this.answers = answers;
    this.json = json;
  }

  /** Stages a file: 201 with its lines, sums and findings; nothing counts before it is posted. */
  @PostMapping(consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
  @ResponseStatus(HttpStatus.CREATED)
  LoadAnswer stage(
      @RequestParam MultipartFile file,
      @RequestParam String kind,
      @RequestParam(required = false) String goalSet,
      @RequestParam(required = false) String axis,
      @RequestParam(required = false) String measure,
      @RequestParam(required = false) Integer fiscalYear,
      @RequestParam(required = false) List<String> controlTotal,
      @RequestParam(required = false) String mapping,
      @RequestParam(required = false) String sheet,
      @RequestParam(required = false) String asOf,
      @RequestParam(required = false) String source) {
    space.checkFor(file.getSize());
    LoadKind readKind =
        LoadKind.findByWord(kind)
            .orElseThrow(
                () ->
                    UnknownValue.of(
                        "kind", kind, Stream.of(LoadKind.values()).map(LoadKind::word)));
    boolean isGoals = readKind == LoadKind.GOALS;
    boolean isBeside = readKind == LoadKind.ACTUALS && goalSet != null && !goalSet.isBlank();
    boolean isTrailer = controlTotal != null && controlTotal.contains("trailer");
    LoadRequest request =
        new LoadRequest(
            readKind,
            isGoals || isBeside ? GoalSets.name(goalSet) : null,
            isGoals ? GoalSets.axis(axis) : isBeside ? besideAxis(axis) : null,
            measure == null || measure.isBlank() ? null : measure,
            fiscalYear,
            isTrailer ? Map.of() : ControlTotals.parse(controlTotal),
            isTrailer,
            mapping(mapping),
            sheet == null ? "" : sheet,
            readKind == LoadKind.DEALS ? SnapshotDay.needed(asOf, source) : null);
    return one(staging.stage(Uploads.of(file), request));
  }

  /** All loads, latest first, without their findings. */
  @GetMapping
  List<LoadAnswer> list() {
    return store.all().stream().map(answers::brief).toList();
  }

  /** One load with its first 1,000 findings; 404 {@code load-unknown}. */
  @GetMapping("/{id}")
  LoadAnswer one(@PathVariable int id) {
    return answers.whole(id);
  }

  /**
   * A load after what was done with it.
   *
   * @param proposal what waits for a second person; null where it is done
   */
  record DoneAnswer(
      @JsonUnwrapped LoadAnswer load,
      @JsonInclude(JsonInclude.Include.NON_NULL) @Nullable ProposalAnswer proposal) {}

  private ResponseEntity<DoneAnswer> done(int id, @Nullable ProposalAnswer proposal) {
    return ResponseEntity.status(proposal == null ? HttpStatus.OK : HttpStatus.ACCEPTED)
        .body(new DoneAnswer(one(id), proposal));
  }

  /**
   * Posts the ready rows, all or nothing; 409 says what stands in the way, {@code month-sealed}
   * too. 202 with {@code proposal} where it takes a second person.
   */
  @PostMapping("/{id}/post")
  ResponseEntity<DoneAnswer> post(
      @PathVariable int id,
      @RequestParam(defaultValue = "refuse") String held,
      @RequestParam(required = false) String because,
      @RequestParam(defaultValue = "add") String mode,
      @RequestParam(defaultValue = "correct") String sealed) {
    PostMode postMode =
        PostMode.findByWord(mode)
            .orElseThrow(
                () ->
                    UnknownValue.of(
                        "mode", mode, Stream.of(PostMode.values()).map(PostMode::word)));
    if (!held.equals("refuse") && !held.equals("leave")) {
      throw UnknownValue.of("held", held, Stream.of("refuse", "leave"));
    }
    return done(
        id, proposals.post(id, held.equals("leave"), because, postMode, isCorrecting(sealed)));
  }

  /**
   * Takes a posted load out again; 409 {@code load-not-posted}, {@code load-in-use}, {@code
   * month-sealed}; 202 as posting.
   */
  @PostMapping("/{id}/reverse")
  ResponseEntity<DoneAnswer> reverse(
      @PathVariable int id, @RequestParam(defaultValue = "correct") String sealed) {
    return done(id, proposals.reverse(id, isCorrecting(sealed)));
  }

  /** What touches a sealed month is a correction, unless it is to be refused. */
  private static boolean isCorrecting(String sealed) {
    if (!sealed.equals("refuse") && !sealed.equals("correct")) {
      throw UnknownValue.of("sealed", sealed, Stream.of("refuse", "correct"));
    }
    return sealed.equals("correct");
  }

  /** Forgets a staged load; 409 {@code load-not-staged}. */
  @DeleteMapping("/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void discard(@PathVariable int id) {
    loads.discard(id);
  }

  /** Goals beside actuals belong to a column that every line has. */
  private static Axis besideAxis(String word) {
    Axis axis = GoalSets.axis(word);
    if (!BESIDE.contains(axis)) {
      throw UnknownValue.of("axis", word, BESIDE.stream().map(Axis::word));
    }
    return axis;
  }

  private Map<String, ColumnRule> mapping(String text) {
    if (text == null || text.isBlank()) {
      return Map.of();
    }
    try {
      return ColumnRules.read(json.readTree(text));
    } catch (JacksonException | IllegalArgumentException unreadable) {
      throw Refusal.of("mapping-unreadable", PostingWords.MAPPING_MUST_BE_JSON_OBJECT);
    }
  }
}
