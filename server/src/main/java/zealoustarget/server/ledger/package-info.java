/**
 * The ledger of the posted loads as one immutable state, and how its rows are stored. Others ask it
 * for a {@code Ledger}; no other room reads the tables of rows.
 */
@NullMarked
package zealoustarget.server.ledger;

import org.jspecify.annotations.NullMarked;
