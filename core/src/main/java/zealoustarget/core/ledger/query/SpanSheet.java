package zealoustarget.core.ledger.query;

import java.util.List;
import zealoustarget.core.reading.Standing;

/**
 * A span's months side by side: members down, months across, with totals both ways.
 *
 * @param whole the span as one: each row's total on the right, and the total of all
 * @param months one standing per month in order; its total stands below or above the column
 */
public record SpanSheet(Standing whole, List<Standing> months) {}
