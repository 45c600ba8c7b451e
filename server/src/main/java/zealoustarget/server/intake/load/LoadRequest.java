package zealoustarget.server.intake.load;

import com.fasterxml.jackson.annotation.JsonIgnore;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.intake.ColumnRule;
import zealoustarget.core.intake.LoadKind;
import zealoustarget.core.member.Axis;

/**
 * What is said of a file, and how it is to be read.
 *
 * @param kind null for a file that is to be recognised
 * @param goalSet name, for goals and for actuals with goals beside them
 * @param axis whose goals they are
 * @param measure what month columns count, or null
 * @param fiscalYear whose periods the columns are, null for the one the name or today says
 * @param controlTotals given sum per measure code, as text
 * @param isTrailerControl whether a total line at the end is the control total
 * @param columns rules by their header
 * @param sheet of a workbook; empty for the first
 * @param snapshot of a file of deals; null for others and for what was stored before there were any
 */
public record LoadRequest(
    LoadKind kind,
    @Nullable String goalSet,
    @Nullable Axis axis,
    @Nullable String measure,
    @Nullable Integer fiscalYear,
    Map<String, String> controlTotals,
    boolean isTrailerControl,
    Map<String, ColumnRule> columns,
    String sheet,
    @Nullable Snapshot snapshot) {
  /**
   * What a file of deals does not say itself.
   *
   * @param asOf the day as of which its source knew them; null while that is not known
   * @param source tells it from other sources; empty where there is one only
   */
  public record Snapshot(@Nullable LocalDate asOf, String source) {
    public static final Snapshot UNKNOWN = new Snapshot(null, "");
  }

  /** A file that brings one kind, read by its own header. */
  public static LoadRequest of(
      LoadKind kind, @Nullable String goalSet, @Nullable Axis axis, @Nullable String measure) {
    return new LoadRequest(kind, goalSet, axis, measure, null, Map.of(), false, Map.of(), "", null);
  }

  /** A file that is to be recognised. */
  @SuppressWarnings("NullAway") // its kind is asked for once it is recognised
  public static LoadRequest recognise() {
    return new LoadRequest(null, null, null, null, null, Map.of(), true, Map.of(), "", null);
  }

  /** The same request for another kind of file. */
  public LoadRequest withKind(
      LoadKind newKind, @Nullable String newGoalSet, @Nullable Axis newAxis) {
    return new LoadRequest(
        newKind,
        newGoalSet,
        newAxis,
        measure,
        fiscalYear,
        controlTotals,
        isTrailerControl,
        columns,
        sheet,
        snapshot);
  }

  /** The same request with the measure and the fiscal year that the file does not name itself. */
  public LoadRequest withMeasure(@Nullable String newMeasure, @Nullable Integer newFiscalYear) {
    return new LoadRequest(
        kind,
        goalSet,
        axis,
        newMeasure,
        newFiscalYear,
        controlTotals,
        isTrailerControl,
        columns,
        sheet,
        snapshot);
  }

  public LoadRequest withControl(Map<String, String> totals, boolean isTrailer) {
    return new LoadRequest(
        kind, goalSet, axis, measure, fiscalYear, totals, isTrailer, columns, sheet, snapshot);
  }

  /** The same request with other meanings of columns, by title. */
  public LoadRequest withColumns(Map<String, ColumnRule> newColumns) {
    return new LoadRequest(
        kind,
        goalSet,
        axis,
        measure,
        fiscalYear,
        controlTotals,
        isTrailerControl,
        newColumns,
        sheet,
        snapshot);
  }

  /** The same with one more rule, which replaces an earlier one for that header. */
  public LoadRequest withColumn(String title, ColumnRule rule) {
    Map<String, ColumnRule> all = new HashMap<>(columns);
    all.keySet().removeIf(key -> key.strip().equalsIgnoreCase(title.strip()));
    all.put(title, rule);
    return withColumns(all);
  }

  /** What is said of the column with that title. */
  public ColumnRule column(String title) {
    return columns.entrySet().stream()
        .filter(rule -> rule.getKey().strip().equalsIgnoreCase(title.strip()))
        .map(Map.Entry::getValue)
        .findFirst()
        .orElse(ColumnRule.AUTO);
  }

  /** The same request for another sheet of the workbook. */
  public LoadRequest withSheet(String newSheet) {
    return new LoadRequest(
        kind,
        goalSet,
        axis,
        measure,
        fiscalYear,
        controlTotals,
        isTrailerControl,
        columns,
        newSheet,
        snapshot);
  }

  /** The same request as of another day, or of another source. */
  public LoadRequest withSnapshot(@Nullable Snapshot newSnapshot) {
    return new LoadRequest(
        kind,
        goalSet,
        axis,
        measure,
        fiscalYear,
        controlTotals,
        isTrailerControl,
        columns,
        sheet,
        newSnapshot);
  }

  /** Whether the file brings goals. */
  @JsonIgnore
  public boolean hasGoals() {
    return axis != null && (kind == LoadKind.GOALS || kind == LoadKind.ACTUALS);
  }
}
