/**
 * The Standing desk: a query is read, the ledger is asked, and the answer is put into words and
 * decimal text. Nothing is added up here that core could add up.
 */
@NullMarked
package zealoustarget.server.standing;

import org.jspecify.annotations.NullMarked;
