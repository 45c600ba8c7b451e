/**
 * Signing in and staying signed in: passwords, sessions, Basic for programs, and how often somebody
 * may try. What a role may do is decided in {@code authorization}.
 */
@NullMarked
package zealoustarget.server.access.signin;

import org.jspecify.annotations.NullMarked;
