package zealoustarget.server.intake.posting;

import com.fasterxml.jackson.annotation.JsonInclude;
import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.intake.Finding;
import zealoustarget.core.intake.LoadKind;
import zealoustarget.core.ledger.columns.PostMode;
import zealoustarget.core.member.Axis;
import zealoustarget.server.intake.load.LoadEntity;
import zealoustarget.server.intake.load.LoadSumEntity;
import zealoustarget.server.platform.http.WordsOf;
import zealoustarget.server.rules.Rules;

/**
 * A load as it travels; amounts as decimal strings in the measure's decimals.
 *
 * @param findings the first 1,000; absent in a list of loads
 * @param enteredBy who entered its goals on the goal sheet; null for a file
 * @param asOf the day of a snapshot of deals; absent for other kinds
 */
public record LoadAnswer(
    int id,
    @Schema(allowableValues = {"reading", "received", "staged", "posted", "reversed"}) String state,
    @WordsOf(LoadKind.class) @Nullable String kind,
    String file,
    @Nullable String goalSet,
    @WordsOf(Axis.class) @Nullable String axis,
    int lines,
    int ready,
    int held,
    int leftOut,
    Map<String, SumsAnswer> sums,
    @Nullable ControlTotal controlTotal,
    int findingCount,
    @JsonInclude(JsonInclude.Include.NON_NULL) @Nullable List<FindingAnswer> findings,
    @Nullable String firstMonth,
    @Nullable String lastMonth,
    Instant stagedAt,
    @Nullable Instant postedAt,
    @Nullable Instant reversedAt,
    @Nullable String because,
    @WordsOf(PostMode.class) @Nullable String mode,
    @Nullable String readAs,
    @Nullable Integer remainderOf,
    @Nullable ProblemAnswer problem,
    @Nullable ProgressAnswer progress,
    @Nullable Integer sameAs,
    @Nullable String sameState,
    @Schema(allowableValues = {"file", "entered"}) String origin,
    @Nullable String enteredBy,
    @JsonInclude(JsonInclude.Include.NON_NULL) @Nullable String asOf) {
  static final int MOST_FINDINGS = 1_000;

  /** Why a received file could not be staged yet. */
  record ProblemAnswer(String code, @Nullable String message) {}

  /** Work that goes on; seconds left are −1 while it is too early to say. */
  public record ProgressAnswer(
      @Schema(allowableValues = {"reading", "checking"}) String phase,
      int lines,
      int percent,
      long secondsLeft) {
    public static ProgressAnswer of(Progress progress) {
      return new ProgressAnswer(
          progress.phase(), progress.lines(), progress.percent(), progress.secondsLeft());
    }
  }

  record SumsAnswer(String file, String ready, String held, String leftOut) {}

  /**
   * With one control total its figures; with several, the first that is not met, else the first.
   */
  record ControlTotal(String measure, String given, String found, boolean met) {}

  record FindingAnswer(
      int line,
      @Nullable String column,
      String code,
      boolean held,
      String message,
      Map<String, String> details) {
    public static FindingAnswer of(Finding finding) {
      return new FindingAnswer(
          finding.line(),
          finding.column(),
          finding.code().word(),
          finding.held(),
          finding.message(),
          finding.details());
    }
  }

  static LoadAnswer of(
      LoadEntity load,
      Rules rules,
      @Nullable Progress progress,
      @Nullable ProblemAnswer problem,
      @Nullable List<Finding> findings,
      @Nullable LoadEntity same) {
    return new LoadAnswer(
        load.id,
        load.state.word(),
        load.kind == null ? null : load.kind.word(),
        load.fileName,
        load.goalSet == null ? null : load.goalSet.name,
        load.goalSet == null ? null : load.goalSet.axis.word(),
        load.lineCount,
        load.ready,
        load.held,
        load.leftOut,
        sums(load, rules),
        controlTotal(load, rules),
        load.findingCount,
        findings == null ? null : findings.stream().map(FindingAnswer::of).toList(),
        load.firstMonth == null ? null : Months.of(load.firstMonth).toString(),
        load.lastMonth == null ? null : Months.of(load.lastMonth).toString(),
        load.stagedAt,
        load.postedAt,
        load.reversedAt,
        load.because,
        load.mode == null ? null : load.mode.word(),
        load.readAs,
        load.remainderOf,
        problem,
        progress == null ? null : ProgressAnswer.of(progress),
        same == null ? null : same.id,
        same == null ? null : same.state.word(),
        load.enteredBy == null ? "file" : "entered",
        load.enteredBy,
        load.asOf == null ? null : load.asOf.toString());
  }

  private static Map<String, SumsAnswer> sums(LoadEntity load, Rules rules) {
    Map<String, SumsAnswer> sums = new LinkedHashMap<>();
    for (LoadSumEntity sum : load.sums) {
      Measure measure = rules.findMeasure(sum.measure).orElseThrow();
      sums.put(
          sum.measure,
          new SumsAnswer(
              measure.text(sum.sums().file()),
              measure.text(sum.ready),
              measure.text(sum.held),
              measure.text(sum.leftOut)));
    }
    return sums;
  }

  private static @Nullable ControlTotal controlTotal(LoadEntity load, Rules rules) {
    return load.sums.stream()
        .filter(sum -> sum.controlGiven != null)
        .min(java.util.Comparator.comparing(LoadSumEntity::isMet))
        .map(
            sum -> {
              Measure measure = rules.findMeasure(sum.measure).orElseThrow();
              return new ControlTotal(
                  sum.measure,
                  measure.text(Objects.requireNonNull(sum.controlGiven)),
                  measure.text(sum.sums().data()),
                  sum.isMet());
            })
        .orElse(null);
  }
}
