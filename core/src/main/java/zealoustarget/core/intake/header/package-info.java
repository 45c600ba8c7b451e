/**
 * Which line is the header and what each column holds. It looks at titles and samples and reads no
 * line into a row.
 */
@NullMarked
package zealoustarget.core.intake.header;

import org.jspecify.annotations.NullMarked;
