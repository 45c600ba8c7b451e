/**
 * Lines become rows or findings, kind by kind. One line is read at a time; what concerns the whole
 * file is checked elsewhere.
 */
@NullMarked
package zealoustarget.core.intake.lines;

import org.jspecify.annotations.NullMarked;
