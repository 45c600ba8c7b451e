/**
 * The one table of routes and roles, the gate that holds requests against it, and which rows an
 * account sees. It asks no feature.
 */
@NullMarked
package zealoustarget.server.access.authorization;

import org.jspecify.annotations.NullMarked;
