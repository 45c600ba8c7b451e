package zealoustarget.server.transfer.company;

import de.siegmar.fastcsv.writer.CsvWriter;
import java.io.Closeable;
import java.io.FilterOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.SQLException;
import java.util.List;
import java.util.function.Consumer;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;

/** Writes the files of an export into one ZIP, one after the other. */
final class ZipFiles implements Closeable {
  /** Writes the rows of a file. */
  interface Rows {
    void writeTo(Consumer<List<String>> rows) throws SQLException;
  }

  private final ZipOutputStream zip;

  ZipFiles(Path file) throws IOException {
    zip = new ZipOutputStream(Files.newOutputStream(file));
  }

  /** A file of CSV in UTF-8; returns how many rows it has below its header. */
  long csv(String name, Rows rows) throws IOException, SQLException {
    zip.putNextEntry(new ZipEntry(name));
    long[] written = {-1};
    OutputStreamWriter text = new OutputStreamWriter(new Open(zip), StandardCharsets.UTF_8);
    try (CsvWriter csv = CsvWriter.builder().build(text)) {
      rows.writeTo(
          cells -> {
            csv.writeRecord(cells);
            written[0]++;
          });
    } catch (UncheckedIOException failure) {
      throw failure.getCause();
    }
    zip.closeEntry();
    return written[0];
  }

  void bytes(String name, byte[] content) throws IOException {
    zip.putNextEntry(new ZipEntry(name));
    zip.write(content);
    zip.closeEntry();
  }

  void copy(String name, InputStream content) throws IOException {
    zip.putNextEntry(new ZipEntry(name));
    content.transferTo(zip);
    zip.closeEntry();
  }

  @Override
  public void close() throws IOException {
    zip.close();
  }

  /** Stays open when a file within it ends. */
  private static final class Open extends FilterOutputStream {
    Open(OutputStream out) {
      super(out);
    }

    @Override
    public void write(byte[] bytes, int from, int length) throws IOException {
      out.write(bytes, from, length);
    }

    @Override
    public void close() throws IOException {
      flush();
    }
  }
}
