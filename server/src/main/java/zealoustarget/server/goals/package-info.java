/** The Goals desk: goal sheets are read, spread, drafted, tried and entered. */
@NullMarked
package zealoustarget.server.goals;

import org.jspecify.annotations.NullMarked;
