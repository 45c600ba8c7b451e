/**
 * What open deals are still worth against a goal, and what became of them from one snapshot to
 * another; docs/calculations.md, section 9. Nothing here may be null unless it says so.
 */
@NullMarked
package zealoustarget.core.outlook;

import org.jspecify.annotations.NullMarked;
