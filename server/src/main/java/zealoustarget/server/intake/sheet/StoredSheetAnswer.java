package zealoustarget.server.intake.sheet;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.intake.LoadKind;
import zealoustarget.core.member.Axis;
import zealoustarget.server.platform.http.WordsOf;

/**
 * A stretch of a load's file as it was read, with what became of each line.
 *
 * @param from number of the first line that is told, from 0
 * @param columns their header, ours, and how each is read
 * @param targets all our names that a column of this kind of file may have
 */
public record StoredSheetAnswer(
    int recordCount,
    int headerLine,
    int from,
    String sheet,
    List<String> sheets,
    @WordsOf(LoadKind.class) @Nullable String kind,
    @Nullable String goalSet,
    @WordsOf(Axis.class) @Nullable String axis,
    @Nullable String measure,
    int fiscalYear,
    @Nullable String asOf,
    @Nullable String source,
    boolean isWide,
    List<ColumnAnswer> columns,
    List<String> targets,
    List<LineAnswer> lines) {
  /**
   * One column.
   *
   * @param target our name for it, empty where it is not read
   * @param isAmount whether it holds amounts, dates otherwise where {@code isDate}
   */
  public record ColumnAnswer(
      String title,
      String target,
      boolean isGuessed,
      boolean isAmount,
      boolean isDate,
      @Schema(allowableValues = {"auto", "point", "comma"}) String decimals,
      @Schema(allowableValues = {"auto", "day-first", "month-first"}) String dates,
      int power,
      boolean flip,
      List<String> samples) {}

  /** A fault or remark in a line; the column's place, or −1. */
  public record FaultAnswer(int at, String code, boolean held, boolean accepted, String message) {}

  /**
   * One line.
   *
   * @param part ready, held or left out; null where it was not checked yet
   * @param rewritten places of the cells that were rewritten
   */
  public record LineAnswer(
      int line,
      List<String> cells,
      @Schema(allowableValues = {"ready", "held", "left out"}) @Nullable String part,
      List<FaultAnswer> faults,
      Set<Integer> rewritten) {}
}
