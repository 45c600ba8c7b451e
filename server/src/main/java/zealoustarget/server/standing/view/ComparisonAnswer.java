package zealoustarget.server.standing.view;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * Two standings row by row.
 *
 * @param now the standing that was asked for
 * @param then the other one
 */
record ComparisonAnswer(StandingAnswer now, StandingAnswer then, Pair total, List<Pair> rows) {
  /**
   * One member in both; {@code now} and {@code then} are null where it is no row.
   *
   * @param change of the actual, now less then; of a rate in points of a percent. Null where one of
   *     them is missing
   */
  @JsonInclude(JsonInclude.Include.ALWAYS)
  record Pair(
      @Nullable String key,
      @Nullable String name,
      @Nullable ReadingAnswer now,
      @Nullable ReadingAnswer then,
      @Nullable String change) {}
}
