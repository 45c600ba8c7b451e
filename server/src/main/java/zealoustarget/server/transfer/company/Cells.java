package zealoustarget.server.transfer.company;

import org.jspecify.annotations.Nullable;
import zealoustarget.server.platform.http.CsvCells;

/**
 * Texts in the cells of an export. A spreadsheet must not run them as formulas, and they have to
 * come back as they were: where one begins like a formula or with an apostrophe, an apostrophe is
 * put before it, and taken off again in reading.
 */
final class Cells {
  private Cells() {}

  static String written(@Nullable String text) {
    return text != null && text.startsWith("'") ? "'" + text : CsvCells.harmless(text);
  }

  static String read(String cell) {
    return cell.startsWith("'") ? cell.substring(1) : cell;
  }
}
