/**
 * The orders behind a standing, with their source's texts. Texts are fetched for the lines of a
 * page only.
 */
package zealoustarget.server.standing.orders;
