/**
 * Files received and staged: their bytes, their first reading, and the request that says what they
 * are. Headers that were understood once are remembered here.
 */
package zealoustarget.server.intake.upload;
