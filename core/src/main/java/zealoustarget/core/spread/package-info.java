/**
 * Splitting a goal so that its parts add to exactly the whole. Nothing here may be null unless it
 * says so.
 */
@NullMarked
package zealoustarget.core.spread;

import org.jspecify.annotations.NullMarked;
