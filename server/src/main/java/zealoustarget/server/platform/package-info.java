/**
 * What any room may need and none of them is about; its own rooms are problems, http, storage and
 * state. It knows no feature.
 */
@NullMarked
package zealoustarget.server.platform;

import org.jspecify.annotations.NullMarked;
