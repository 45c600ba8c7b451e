/**
 * The Intake desk: files are received, read, checked, settled, posted and reversed. Lines are
 * understood in core ({@code intake}); here they are kept and decided about.
 */
@NullMarked
package zealoustarget.server.intake;

import org.jspecify.annotations.NullMarked;
