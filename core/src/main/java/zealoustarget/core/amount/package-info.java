/** Exact numbers and what they count. Nothing here may be null unless it says so. */
@NullMarked
package zealoustarget.core.amount;

import org.jspecify.annotations.NullMarked;
