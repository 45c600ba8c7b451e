/**
 * What a file is and what its cells say: CSV and workbooks as streams of cells, and the originals
 * as they came. No measure, member or month is known here.
 */
@NullMarked
package zealoustarget.server.files;

import org.jspecify.annotations.NullMarked;
