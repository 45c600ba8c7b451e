/**
 * What a file is and what its cells say: CSV and workbooks as streams of cells, and the originals
 * as they came. No measure, member or month is known here.
 */
package zealoustarget.server.files;
