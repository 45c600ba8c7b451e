/**
 * The comparison of actuals with goals, and the standing of all members of an axis. Nothing here
 * may be null unless it says so.
 */
@NullMarked
package zealoustarget.core.reading;

import org.jspecify.annotations.NullMarked;
