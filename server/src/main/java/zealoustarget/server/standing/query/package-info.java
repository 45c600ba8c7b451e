/**
 * The address of a standing read into a query, with clear refusals. It knows measures, spans and
 * names, and reads no figures.
 */
@NullMarked
package zealoustarget.server.standing.query;

import org.jspecify.annotations.NullMarked;
