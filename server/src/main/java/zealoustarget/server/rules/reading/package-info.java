/**
 * Rules as JSON read into plans, ladders and measures, every fault with its place. Nothing is
 * stored here.
 */
@NullMarked
package zealoustarget.server.rules.reading;

import org.jspecify.annotations.NullMarked;
