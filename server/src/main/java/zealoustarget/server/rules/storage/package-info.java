/** Rules as records of the database. What a rule means is said in {@code reading} and core. */
package zealoustarget.server.rules.storage;
