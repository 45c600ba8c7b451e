/**
 * Whether trail, seals and rows are as they were written. It asks the rooms that keep them and
 * repairs nothing.
 */
@NullMarked
package zealoustarget.server.record;

import org.jspecify.annotations.NullMarked;
