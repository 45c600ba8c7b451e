/** The axes and their members. Nothing here may be null unless it says so. */
@NullMarked
package zealoustarget.core.member;

import org.jspecify.annotations.NullMarked;
