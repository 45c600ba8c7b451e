package zealoustarget.server.intake.sheet;

import java.util.List;
import zealoustarget.core.intake.Finding;
import zealoustarget.core.intake.header.ColumnProfile;

/**
 * What a load's file looks like, whatever its form was.
 *
 * @param dialect how it was written, in words
 * @param sheets names of a workbook's sheets, else empty
 * @param sheet the one that was read
 * @param headerLine line of the file
 * @param titles the header's cells
 * @param profiles what each column shows
 * @param recordCount lines below the header that are not empty
 * @param firstRecords number of the first record in each part, from 0
 * @param firstLines line of the file of the first record in each part
 * @param cutOffLine the line that opens a quote which is never closed, 0 where none does
 * @param findings remarks about the file as a whole
 */
public record StoredSheet(
    String dialect,
    boolean isCommaGrouping,
    List<String> sheets,
    String sheet,
    int headerLine,
    List<String> titles,
    List<ColumnProfile> profiles,
    int recordCount,
    List<Integer> firstRecords,
    List<Integer> firstLines,
    int cutOffLine,
    List<Finding> findings) {
  /** Some of a file's lines, as they are kept. */
  record Part(int[] lines, String[][] cells) {}
}
