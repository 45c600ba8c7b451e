/**
 * The record of a load: its request, state, sums, findings. Other rooms of Intake change it;
 * nothing outside reads it.
 */
@NullMarked
package zealoustarget.server.intake.load;

import org.jspecify.annotations.NullMarked;
