/**
 * What is asked of a ledger: span, axis, filters, narrowing. It holds questions and the shape of
 * their answers, and reads no sums.
 */
@NullMarked
package zealoustarget.core.ledger.query;

import org.jspecify.annotations.NullMarked;
