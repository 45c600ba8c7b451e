/** What a month needs before it is closed; docs/calculations.md, section 11. */
@NullMarked
package zealoustarget.core.close;

import org.jspecify.annotations.NullMarked;
