/**
 * Posted rows in the database: packed parts of a load, products, the roster, and the migrations
 * that brought them there. Only this room reads those tables.
 */
@NullMarked
package zealoustarget.server.ledger.storage;

import org.jspecify.annotations.NullMarked;
