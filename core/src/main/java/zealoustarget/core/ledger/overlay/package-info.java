/**
 * One ledger laid over another: sealed months as they were, and a load that is not posted yet. It
 * makes ledgers and reads none of their figures.
 */
@NullMarked
package zealoustarget.core.ledger.overlay;

import org.jspecify.annotations.NullMarked;
