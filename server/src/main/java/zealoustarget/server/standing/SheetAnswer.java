package zealoustarget.server.standing;

import java.util.List;

/**
 * A span's months side by side.
 *
 * @param total everything, the whole span
 * @param totals everything, by month
 */
record SheetAnswer(
    List<String> months, ReadingAnswer total, List<Cell> totals, List<SheetRow> rows) {
  /** A member's whole span, and its months; null where it has neither a line nor a goal. */
  record SheetRow(ReadingAnswer whole, List<Cell> cells) {}

  /** One month of one member; from the variance on as it is spoken of. */
  record Cell(
      String actual,
      String goal,
      String variance,
      String attainment,
      String percentShown,
      String status,
      String tone,
      String noReading,
      String shade) {
    static Cell of(ReadingAnswer reading) {
      return new Cell(
          reading.actual(),
          reading.goal(),
          reading.spoken().variance(),
          reading.spoken().attainment(),
          reading.spoken().percentShown(),
          reading.spoken().status(),
          reading.spoken().tone(),
          reading.spoken().noReading(),
          reading.spoken().shade());
    }
  }
}
