/**
 * From the text cells of a file's lines to typed rows and findings. Nothing here may be null unless
 * it says so.
 */
@NullMarked
package zealoustarget.core.intake;

import org.jspecify.annotations.NullMarked;
