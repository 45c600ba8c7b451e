/**
 * A standing or orders as CSV, workbook and JSON. Rows come as the page shows them; nothing is
 * added up here.
 */
@NullMarked
package zealoustarget.server.standing.export;

import org.jspecify.annotations.NullMarked;
