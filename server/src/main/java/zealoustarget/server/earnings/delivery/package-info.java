/**
 * Statements on their way: written as PDF in jobs, sent as mail, and kept account of. What a
 * statement says is decided in {@code statements}.
 */
@NullMarked
package zealoustarget.server.earnings.delivery;

import org.jspecify.annotations.NullMarked;
