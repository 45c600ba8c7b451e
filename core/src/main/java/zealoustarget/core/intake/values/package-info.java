/** Dates, numbers and names as people write them in cells. A value knows no column and no file. */
@NullMarked
package zealoustarget.core.intake.values;

import org.jspecify.annotations.NullMarked;
