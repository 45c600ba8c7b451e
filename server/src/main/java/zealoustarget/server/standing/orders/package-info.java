/**
 * The orders behind a standing, with their source's texts. Texts are fetched for the lines of a
 * page only.
 */
@NullMarked
package zealoustarget.server.standing.orders;

import org.jspecify.annotations.NullMarked;
