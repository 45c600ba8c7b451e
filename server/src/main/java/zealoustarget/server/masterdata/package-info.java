/**
 * Who and what there is by key and number: members of every axis, names accepted for them, goal
 * sets. Where a rep belongs in a month is a row of a load and lies in the ledger.
 */
@NullMarked
package zealoustarget.server.masterdata;

import org.jspecify.annotations.NullMarked;
