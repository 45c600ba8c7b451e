/**
 * Refusals and faults as problem details (RFC 9457) with a code, a place and what to do. The words
 * of a refusal come from the room that refuses.
 */
@NullMarked
package zealoustarget.server.platform.problems;

import org.jspecify.annotations.NullMarked;
