/**
 * Members of every axis by key and number. Where a rep belongs is a row of a load and lies in the
 * ledger.
 */
package zealoustarget.server.roster;
