/**
 * One member from near: the equation, its parts, its path over months, its lines to file and line,
 * its corrections. Everything is read from the same ledger as the table.
 */
@NullMarked
package zealoustarget.server.standing.closeup;

import org.jspecify.annotations.NullMarked;
