/** Rules as records of the database. What a rule means is said in {@code reading} and core. */
@NullMarked
package zealoustarget.server.rules.storage;

import org.jspecify.annotations.NullMarked;
