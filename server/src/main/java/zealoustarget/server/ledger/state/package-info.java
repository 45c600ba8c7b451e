/**
 * The one immutable ledger that everybody reads, how it is built from stored loads, and previews of
 * loads not posted yet. It changes when a load is posted, reversed or a month sealed.
 */
@NullMarked
package zealoustarget.server.ledger.state;

import org.jspecify.annotations.NullMarked;
