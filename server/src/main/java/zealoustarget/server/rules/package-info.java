/**
 * The rules: company, calendar, measures, thresholds, shading, plans, as they are now and as a seal
 * keeps them. How a rule decides is in core; here it is read, stored and put in force.
 */
@NullMarked
package zealoustarget.server.rules;

import org.jspecify.annotations.NullMarked;
