package zealoustarget.server.transfer.company;

import de.siegmar.fastcsv.reader.CsvParseException;
import de.siegmar.fastcsv.reader.CsvReader;
import de.siegmar.fastcsv.reader.NamedCsvRecord;
import de.siegmar.fastcsv.reader.NamedCsvRecordHandler;
import java.io.Closeable;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.sql.SQLException;
import java.util.zip.ZipEntry;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;
import zealoustarget.server.platform.storage.CheckedZip;

/** An export that is read. */
final class ExportFile implements Closeable {
  /** Takes one row of a file. */
  interface Taker {
    void take(NamedCsvRecord row) throws IOException, SQLException;
  }

  private static final JsonMapper JSON = new JsonMapper();

  private final CheckedZip zip;
  private final Description description;

  /**
   * Opens one.
   *
   * @throws IOException in words, where it is none
   */
  ExportFile(Path file) throws IOException {
    try {
      zip = new CheckedZip(file);
    } catch (IOException none) {
      throw new IOException(CompanyWords.isNoExportOfThisApplication(file), none);
    }
    try {
      description = JSON.readValue(bytes(Description.FILE), Description.class);
    } catch (JacksonException unreadable) {
      zip.close();
      throw new IOException(CompanyWords.ofCannotBeRead(Description.FILE, file), unreadable);
    } catch (IOException missing) {
      zip.close();
      throw new IOException(CompanyWords.isNoExportOfThisApplication(file), missing);
    }
    if (!Description.FORMAT.equals(description.format())) {
      zip.close();
      throw new IOException(
          CompanyWords.isOfFormatIsUnderstoodHere(file, description.format(), Description.FORMAT));
    }
  }

  Description description() {
    return description;
  }

  InputStream open(String name) throws IOException {
    ZipEntry entry = zip.getEntry(name);
    if (entry == null) {
      throw new IOException(CompanyWords.fileIsMissingInExport(name));
    }
    return zip.getInputStream(entry);
  }

  byte[] bytes(String name) throws IOException {
    try (InputStream in = open(name)) {
      return in.readAllBytes();
    }
  }

  /**
   * Hands over the rows of a CSV file.
   *
   * @return how many there were
   * @throws IOException in words, with file and line
   */
  long rows(String name, Taker taker) throws IOException {
    long rows = 0;
    try (CsvReader<NamedCsvRecord> csv =
        CsvReader.builder()
            .detectBomHeader(true)
            .build(
                // a measure may be called as a column before; the first is found by its name
                NamedCsvRecordHandler.of(handler -> handler.allowDuplicateHeaderFields(true)),
                new InputStreamReader(open(name), StandardCharsets.UTF_8))) {
      for (NamedCsvRecord row : csv) {
        take(name, row, taker);
        rows++;
      }
    } catch (CsvParseException faulty) {
      throw new IOException(CompanyWords.cannotBeRead(name, faulty.getMessage()), faulty);
    }
    return rows;
  }

  private static void take(String name, NamedCsvRecord row, Taker taker) throws IOException {
    try {
      taker.take(row);
    } catch (SQLException | RuntimeException faulty) {
      throw new IOException(
          CompanyWords.line(name, row.getStartingLineNumber(), faulty.getMessage()), faulty);
    }
  }

  @Override
  public void close() throws IOException {
    zip.close();
  }
}
