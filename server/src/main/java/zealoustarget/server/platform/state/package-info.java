/**
 * Which state the data are in, which state a request reads, and whether requests may be taken at
 * all. Versions are counted here; what changed is said by whoever changed it.
 */
@NullMarked
package zealoustarget.server.platform.state;

import org.jspecify.annotations.NullMarked;
