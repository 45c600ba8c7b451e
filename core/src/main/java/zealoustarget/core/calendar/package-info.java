/** Months, spans and the fiscal calendar. Nothing here may be null unless it says so. */
@NullMarked
package zealoustarget.core.calendar;

import org.jspecify.annotations.NullMarked;
