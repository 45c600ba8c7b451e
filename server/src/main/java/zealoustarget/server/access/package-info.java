/**
 * Who may sign in, what each role may do, and which rows an account sees ({@code RowAccess}). Every
 * other room asks here; nothing here knows what a standing or a statement is.
 */
@NullMarked
package zealoustarget.server.access;

import org.jspecify.annotations.NullMarked;
