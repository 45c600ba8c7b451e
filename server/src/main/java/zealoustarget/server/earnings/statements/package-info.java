/**
 * A rep's statement and the payroll file, line by line, as page, PDF and CSV. Nothing is reckoned
 * here; figures come as {@code EarningsRow}.
 */
@NullMarked
package zealoustarget.server.earnings.statements;

import org.jspecify.annotations.NullMarked;
