package zealoustarget.core.ledger;

import java.util.List;
import zealoustarget.core.reading.Standing;

/**
 * A standing in groups.
 *
 * @param whole total, what is outside and left out, and one row per group: its subtotal
 * @param groups in the order of {@code whole}'s rows; each total is that group's subtotal
 */
public record Grouped(Standing whole, List<Standing> groups) {}
