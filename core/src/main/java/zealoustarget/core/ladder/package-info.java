/**
 * The ordered thresholds that turn a reading into a status. Nothing here may be null unless it says
 * so.
 */
@NullMarked
package zealoustarget.core.ladder;

import org.jspecify.annotations.NullMarked;
