/**
 * The record of a load: its request, state, sums, findings. Other rooms of Intake change it;
 * nothing outside reads it.
 */
package zealoustarget.server.intake.load;
