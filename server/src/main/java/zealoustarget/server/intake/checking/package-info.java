/**
 * A staged file held line by line against rules, roster and what is posted. The result is rows,
 * findings and sums; nothing is posted here.
 */
@NullMarked
package zealoustarget.server.intake.checking;

import org.jspecify.annotations.NullMarked;
