package zealoustarget.server.files;

import de.siegmar.fastcsv.reader.CsvParseException;
import de.siegmar.fastcsv.reader.CsvReader;
import de.siegmar.fastcsv.reader.CsvRecord;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Iterator;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** The first record of a CSV text in bytes, whose cells may hold line breaks in quotes. */
public final class FirstRecord {
  private static final Pattern LINE_END = Pattern.compile("\\r\\n|\\r|\\n");
  private static final String MARK = "\u00ef\u00bb\u00bf"; // of UTF-8, byte by byte

  private FirstRecord() {}

  /**
   * How many bytes it has, with its line end and empty lines after it; −1 where no other record
   * follows in these bytes. Any encoding will do in which separators, quotes and line ends are
   * single bytes as in ASCII.
   */
  public static int length(byte[] bytes) {
    String all = new String(bytes, StandardCharsets.ISO_8859_1); // one character a byte
    int mark = all.startsWith(MARK) ? MARK.length() : 0;
    String text = all.substring(mark);
    try (CsvReader<CsvRecord> records = CsvText.lenient(Separator.of(text)).ofCsvRecord(text)) {
      Iterator<CsvRecord> each = records.iterator();
      if (each.hasNext()) {
        each.next();
      }
      return each.hasNext() ? mark + startOf(each.next().getStartingLineNumber(), text) : -1;
    } catch (CsvParseException unclosed) {
      return -1;
    } catch (IOException impossible) {
      throw new UncheckedIOException(impossible);
    }
  }

  private static int startOf(long line, String text) {
    Matcher ends = LINE_END.matcher(text);
    int start = 0;
    for (long at = 1; at < line && ends.find(); at++) {
      start = ends.end();
    }
    return start;
  }
}
