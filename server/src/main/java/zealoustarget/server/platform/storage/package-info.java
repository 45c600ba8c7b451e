/**
 * The data folder: who may use it, what room there is, how the database is opened, closed and
 * written anew. What stands in it belongs to others.
 */
@NullMarked
package zealoustarget.server.platform.storage;

import org.jspecify.annotations.NullMarked;
