/** Notes and reasons on a member and month. They are shown beside figures and never change one. */
@NullMarked
package zealoustarget.server.notes;

import org.jspecify.annotations.NullMarked;
