/**
 * Decisions about lines that were held back: a name accepted, a cell mended, lines set aside. A
 * decision is kept beside the file, which stays as it came.
 */
@NullMarked
package zealoustarget.server.intake.corrections;

import org.jspecify.annotations.NullMarked;
