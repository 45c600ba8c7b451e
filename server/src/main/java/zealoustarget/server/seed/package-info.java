/**
 * Fills an empty database from a folder of files, by the same loading as any file, and prints the
 * example.
 */
@NullMarked
package zealoustarget.server.seed;

import org.jspecify.annotations.NullMarked;
