/**
 * What a changed plan would have paid, beside what the plan in force pays. Nothing of it is stored.
 */
@NullMarked
package zealoustarget.server.earnings.trial;

import org.jspecify.annotations.NullMarked;
