/**
 * The Earnings desk: pay of a month or quarter as rows, headline and marks. Pay is reckoned in core
 * ({@code commission}); statements, delivery, trials and sealing have rooms of their own.
 */
@NullMarked
package zealoustarget.server.earnings;

import org.jspecify.annotations.NullMarked;
