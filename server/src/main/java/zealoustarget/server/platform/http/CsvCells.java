package zealoustarget.server.platform.http;

import de.siegmar.fastcsv.writer.CsvWriter;
import java.io.Writer;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Writing;

/** Texts in files that spreadsheets open. */
public final class CsvCells {
  private static final String FORMULA_STARTS = "=+-@\t\r";

  private CsvCells() {}

  /** Writes CSV as the company's programs open it: semicolons where the comma marks decimals. */
  public static CsvWriter writer(Writer out, Writing writing) {
    return CsvWriter.builder().fieldSeparator(writing.decimalMark() == ',' ? ';' : ',').build(out);
  }

  /** Text that a spreadsheet would take for a formula stays text; null is empty. */
  public static String harmless(@Nullable String text) {
    if (text == null) {
      return "";
    }
    return !text.isEmpty() && FORMULA_STARTS.indexOf(text.charAt(0)) >= 0 ? "'" + text : text;
  }
}
