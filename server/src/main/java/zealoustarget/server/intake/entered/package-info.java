/**
 * Goals that were entered on the goal sheet, as loads like those of files: one line per changed
 * cell, which says what stood there before and who changed it when.
 */
@NullMarked
package zealoustarget.server.intake.entered;

import org.jspecify.annotations.NullMarked;
