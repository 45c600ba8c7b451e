/** Claims with bound figures, and whether they still hold; docs/calculations.md, section 10. */
@NullMarked
package zealoustarget.core.briefing;

import org.jspecify.annotations.NullMarked;
