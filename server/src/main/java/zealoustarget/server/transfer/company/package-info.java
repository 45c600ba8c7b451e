/**
 * The company as open files (CSV and JSON in a ZIP), written and read back by tables and loads.
 * What a backup does by rows is done here by meaning.
 */
@NullMarked
package zealoustarget.server.transfer.company;

import org.jspecify.annotations.NullMarked;
