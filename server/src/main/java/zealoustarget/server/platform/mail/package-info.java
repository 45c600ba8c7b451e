/** The way to the mail server. */
@NullMarked
package zealoustarget.server.platform.mail;

import org.jspecify.annotations.NullMarked;
