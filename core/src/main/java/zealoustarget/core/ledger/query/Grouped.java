package zealoustarget.core.ledger.query;

import java.util.List;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.reading.Goal;
import zealoustarget.core.reading.Standing;

/**
 * A standing in groups.
 *
 * @param whole total, what is outside and left out, and one row per group: its subtotal
 * @param groups in the order of {@code whole}'s rows; each total is that group's subtotal
 * @param unsplit goals of members whose rows may lie in several groups; null where there are none
 */
public record Grouped(Standing whole, List<Standing> groups, @Nullable Unsplit unsplit) {
  /** Goals that the grouping does not split: of how many members, and their sum. */
  public record Unsplit(int members, Goal goal) {}
}
