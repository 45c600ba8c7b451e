/**
 * The posted rows as they lie in memory: actuals in columns, goals by set, orders, and who belongs
 * where in which month. Nothing here answers a question about a span; that is the ledger's.
 */
@NullMarked
package zealoustarget.core.ledger.columns;

import org.jspecify.annotations.NullMarked;
