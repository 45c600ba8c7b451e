/**
 * Files fetched by the server itself from a folder or an address, on request. What is fetched goes
 * the way of any upload.
 */
@NullMarked
package zealoustarget.server.intake.pull;

import org.jspecify.annotations.NullMarked;
