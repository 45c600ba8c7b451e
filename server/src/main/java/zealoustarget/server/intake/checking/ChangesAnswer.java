package zealoustarget.server.intake.checking;

import java.util.List;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.ledger.columns.PostMode;
import zealoustarget.core.member.Axis;
import zealoustarget.server.platform.http.WordsOf;

/**
 * What posting would change, the largest movement first.
 *
 * @param scopeAxis axis of what the file covers, null for files without actuals
 * @param covered names of the members that it covers, the first 40
 * @param sealedMonths sealed months that it touches; it can be posted as a correction only
 * @param changeCount all changes; {@code changes} has the first 500
 */
public record ChangesAnswer(
    @WordsOf(PostMode.class) String proposed,
    @WordsOf(PostMode.class) String mode,
    @WordsOf(Axis.class) @Nullable String scopeAxis,
    List<String> covered,
    List<String> months,
    List<String> sealedMonths,
    int changeCount,
    List<ChangeAnswer> changes) {
  /** One figure: before and after as decimal strings, null where nothing is. */
  public record ChangeAnswer(
      String key,
      String name,
      String month,
      String measure,
      boolean isGoal,
      @Nullable String before,
      @Nullable String after) {}
}
