/**
 * A load's way from checked to posted and back, its jobs, and the routes of loads. Rows are handed
 * to the ledger, which stores them.
 */
@NullMarked
package zealoustarget.server.intake.posting;

import org.jspecify.annotations.NullMarked;
