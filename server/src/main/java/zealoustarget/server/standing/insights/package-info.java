/**
 * What stands out in a standing, put into sentences. What counts as telling is decided in core
 * ({@code insight}).
 */
@NullMarked
package zealoustarget.server.standing.insights;

import org.jspecify.annotations.NullMarked;
