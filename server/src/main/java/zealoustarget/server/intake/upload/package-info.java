/**
 * Files received and staged: their bytes, their first reading, and the request that says what they
 * are. Headers that were understood once are remembered here.
 */
@NullMarked
package zealoustarget.server.intake.upload;

import org.jspecify.annotations.NullMarked;
