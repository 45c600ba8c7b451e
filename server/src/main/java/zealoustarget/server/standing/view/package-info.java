/**
 * Standings as answers: rows, totals, months side by side, comparisons, and what is kept of them
 * between requests. Figures come from core; words and decimal text are made here, last.
 */
@NullMarked
package zealoustarget.server.standing.view;

import org.jspecify.annotations.NullMarked;
