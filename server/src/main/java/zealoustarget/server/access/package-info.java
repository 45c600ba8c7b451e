/**
 * Who may sign in, what each role may do, and which rows an account sees ({@code RowAccess}). Every
 * other room asks here; nothing here knows what a standing or a statement is.
 */
package zealoustarget.server.access;
