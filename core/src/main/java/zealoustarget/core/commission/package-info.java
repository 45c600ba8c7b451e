/**
 * Commission: what a plan pays for sales against a quota, and what is due with a month. Nothing
 * here may be null unless it says so.
 */
@NullMarked
package zealoustarget.core.commission;

import org.jspecify.annotations.NullMarked;
