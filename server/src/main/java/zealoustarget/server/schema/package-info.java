/**
 * The tables: how a database is brought to the present form, for the server and for tools that run
 * without it.
 */
package zealoustarget.server.schema;
