/**
 * Starting: the tables are brought to their present form, for the server and for tools that run
 * without it, the ledger is read, and only then are requests taken. What an empty database is
 * filled with is for others to bring ({@code FirstData}).
 */
@NullMarked
package zealoustarget.server.startup;

import org.jspecify.annotations.NullMarked;
