/**
 * Closing a month and opening it again: what is kept of it, by whom, and the payroll file of that
 * moment. How a sealed month is laid over later rows is the ledger's.
 */
@NullMarked
package zealoustarget.server.earnings.sealing;

import org.jspecify.annotations.NullMarked;
