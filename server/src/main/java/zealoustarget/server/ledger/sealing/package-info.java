/**
 * Sealed months as they are stored and which of them are in force. What goes into one is gathered
 * in {@code earnings}.
 */
@NullMarked
package zealoustarget.server.ledger.sealing;

import org.jspecify.annotations.NullMarked;
