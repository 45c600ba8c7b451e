/**
 * Sentences about a standing that its figures back, and why there is a shortfall. Nothing here may
 * be null unless it says so.
 */
@NullMarked
package zealoustarget.core.insight;

import org.jspecify.annotations.NullMarked;
