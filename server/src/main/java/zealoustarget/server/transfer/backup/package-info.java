/**
 * Copies of all data and their way back, also without a running server. Nothing here reads figures:
 * rows are copied as they are stored.
 */
@NullMarked
package zealoustarget.server.transfer.backup;

import org.jspecify.annotations.NullMarked;
