/**
 * A standing or orders as CSV, workbook and JSON. Rows come as the page shows them; nothing is
 * added up here.
 */
package zealoustarget.server.standing.export;
