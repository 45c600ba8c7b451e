package zealoustarget.server.standing.view;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A month's standing as a seal keeps it; docs/formats.md. Like a sealed statement it has a form of
 * its own, to which a field may come and from which none goes. Amounts are decimal text in the
 * measure's scale, ratios plain decimals; what there is none of is null.
 *
 * @param ladder name of the ladder that judged
 * @param total over the rows
 */
record SealedStanding(
    String goalSet,
    String axis,
    String measure,
    String unit,
    int scale,
    String direction,
    String ladder,
    Row total,
    List<Row> rows) {
  /**
   * One member's reading.
   *
   * @param key null for the total, as is {@code name}
   * @param name as it was then
   * @param place region or line where the member belonged
   * @param low end of a range; {@code high} the other
   */
  record Row(
      @Nullable String key,
      @Nullable String name,
      @Nullable String place,
      @Nullable String actual,
      @Nullable String goal,
      @Nullable String low,
      @Nullable String high,
      @Nullable String variance,
      @Nullable String attainment,
      String status,
      String tone) {
    static Row of(ReadingAnswer reading) {
      return new Row(
          reading.key(),
          reading.name(),
          reading.place(),
          reading.actual(),
          reading.goal(),
          reading.goalLow(),
          reading.goalHigh(),
          reading.variance(),
          reading.attainment(),
          reading.status(),
          reading.tone());
    }
  }

  static SealedStanding of(String goalSet, StandingAnswer standing) {
    return new SealedStanding(
        goalSet,
        standing.axis(),
        standing.measure(),
        standing.unit(),
        standing.scale(),
        standing.direction(),
        standing.ladder(),
        Row.of(standing.total()),
        standing.rows().stream().map(Row::of).toList());
  }
}
