/**
 * The month told: a page of claims whose figures stay bound to their queries, exhibits and texts;
 * drafted by itself, read, signed, exported and sent. Asks standing, earnings and outlook as their
 * routes do, on behalf of whoever reads.
 */
@NullMarked
package zealoustarget.server.briefing;

import org.jspecify.annotations.NullMarked;
