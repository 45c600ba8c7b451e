/**
 * The trail: what was changed, by whom, linked by hashes. Others add entries; only what reads and
 * verifies the trail belongs here.
 */
@NullMarked
package zealoustarget.server.audit;

import org.jspecify.annotations.NullMarked;
