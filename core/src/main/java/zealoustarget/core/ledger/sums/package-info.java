/**
 * Sums of months and of spans, exact and checked for overflow. They know places in an axis, not
 * names or readings.
 */
@NullMarked
package zealoustarget.core.ledger.sums;

import org.jspecify.annotations.NullMarked;
