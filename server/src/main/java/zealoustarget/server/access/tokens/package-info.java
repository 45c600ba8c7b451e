/**
 * Tokens for programs: made once, kept as a digest, limited in what they may do. They stand for an
 * account and never widen its role.
 */
@NullMarked
package zealoustarget.server.access.tokens;

import org.jspecify.annotations.NullMarked;
