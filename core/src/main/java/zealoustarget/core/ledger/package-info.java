/**
 * The posted rows in memory, immutable per state of the data, and the sums over them. Nothing here
 * may be null unless it says so.
 */
@NullMarked
package zealoustarget.core.ledger;

import org.jspecify.annotations.NullMarked;
