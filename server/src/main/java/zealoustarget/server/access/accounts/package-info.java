/**
 * Accounts, their roles and passwords, the first one, and who is acting now. Nothing here knows
 * routes or rows.
 */
@NullMarked
package zealoustarget.server.access.accounts;

import org.jspecify.annotations.NullMarked;
