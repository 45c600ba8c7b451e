/**
 * The part of a ledger that an account may see, made before anything reads it. Nothing further down
 * knows that accounts exist.
 */
@NullMarked
package zealoustarget.core.ledger.visibility;

import org.jspecify.annotations.NullMarked;
