/**
 * Reading what is posted: a ledger is immutable and answers queries with standings, sums and
 * corrections. What lies under it (columns, sums) and over it (overlay, visibility) has rooms of
 * its own; nothing here knows files or storage.
 */
@NullMarked
package zealoustarget.core.ledger;

import org.jspecify.annotations.NullMarked;
