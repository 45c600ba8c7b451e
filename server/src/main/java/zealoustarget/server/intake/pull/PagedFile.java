package zealoustarget.server.intake.pull;

import de.siegmar.fastcsv.reader.CsvParseException;
import de.siegmar.fastcsv.reader.CsvReader;
import de.siegmar.fastcsv.reader.CsvRecord;
import de.siegmar.fastcsv.writer.CsvWriter;
import java.io.FilterInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.Reader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import zealoustarget.core.Refusal;

/**
 * One CSV file made of many pages in UTF-8: the header of every page but the first is left away.
 */
final class PagedFile implements AutoCloseable {
  private final CsvWriter file;
  private long left;
  private boolean isBegun;

  /** Begins a file that takes pages of so many bytes in all. */
  PagedFile(Path file, long limit) throws IOException {
    this.file = CsvWriter.builder().build(Files.newBufferedWriter(file, StandardCharsets.UTF_8));
    left = limit;
  }

  /**
   * Adds a page.
   *
   * @throws Refusal pull-too-large
   * @throws IOException where it cannot be read as CSV either
   */
  void add(InputStream page) throws IOException {
    try (Reader text = new InputStreamReader(new Counted(page), StandardCharsets.UTF_8);
        CsvReader<CsvRecord> records =
            CsvReader.builder().detectBomHeader(false).ofCsvRecord(text)) {
      boolean isHeader = true;
      for (CsvRecord row : records) {
        if (!isHeader || !isBegun) {
          file.writeRecord(withoutMark(row.getFields(), isHeader));
        }
        isHeader = false;
        isBegun = true;
      }
    } catch (CsvParseException unreadable) {
      if (unreadable.getCause() instanceof Refusal refused) {
        throw refused;
      }
      throw new IOException(unreadable);
    }
  }

  /** A page may begin with a byte order mark. */
  private static List<String> withoutMark(List<String> fields, boolean isFirst) {
    if (!isFirst || !fields.get(0).startsWith("\ufeff")) {
      return fields;
    }
    List<String> without = new java.util.ArrayList<>(fields);
    without.set(0, fields.get(0).substring(1));
    return without;
  }

  @Override
  public void close() throws IOException {
    file.close();
  }

  private final class Counted extends FilterInputStream {
    Counted(InputStream in) {
      super(in);
    }

    @Override
    public int read() throws IOException {
      byte[] one = new byte[1];
      return read(one, 0, 1) < 0 ? -1 : one[0] & 0xff;
    }

    @Override
    public int read(byte[] buffer, int from, int length) throws IOException {
      int read = super.read(buffer, from, length);
      left -= Math.max(read, 0);
      if (left < 0) {
        throw Refusal.of("pull-too-large", "The pages are larger than zealous.pull.limit allows.");
      }
      return read;
    }
  }
}
