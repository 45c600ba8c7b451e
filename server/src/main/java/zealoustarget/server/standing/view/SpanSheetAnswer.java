package zealoustarget.server.standing.view;

import java.util.List;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.ladder.Tone;
import zealoustarget.server.platform.http.WordsOf;

/**
 * A span's months side by side.
 *
 * @param total everything, the whole span
 * @param totals everything, by month
 */
public record SpanSheetAnswer(
    List<String> months, ReadingAnswer total, List<Cell> totals, List<SheetRow> rows) {
  /** A member's whole span, and its months; null where it has neither a line nor a goal. */
  public record SheetRow(ReadingAnswer whole, List<@Nullable Cell> cells) {}

  /**
   * One month of one member; from the variance on as it is spoken of. What is shown of a rate is in
   * percent, its variance in points.
   */
  public record Cell(
      @Nullable String actual,
      @Nullable String actualShown,
      @Nullable String goal,
      @Nullable String variance,
      @Nullable String varianceShown,
      @Nullable String attainment,
      @Nullable String percentShown,
      String status,
      @WordsOf(Tone.class) String tone,
      @Nullable String noReading,
      @Nullable String shade) {
    static Cell of(ReadingAnswer reading) {
      return new Cell(
          reading.actual(),
          reading.rate() == null ? reading.actual() : reading.rate().actual(),
          reading.goal(),
          reading.spoken().variance(),
          reading.rate() == null ? reading.spoken().variance() : reading.rate().variance(),
          reading.spoken().attainment(),
          reading.spoken().percentShown(),
          reading.spoken().status(),
          reading.spoken().tone(),
          reading.spoken().noReading(),
          reading.spoken().shade());
    }
  }
}
