/**
 * What can be said of a file only as a whole: who is missing, goals that do not add up. It is fed
 * with rows and changes none.
 */
@NullMarked
package zealoustarget.core.intake.checks;

import org.jspecify.annotations.NullMarked;
