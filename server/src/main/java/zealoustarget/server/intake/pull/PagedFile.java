package zealoustarget.server.intake.pull;

import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import zealoustarget.core.Refusal;
import zealoustarget.server.files.FirstRecord;

/**
 * One CSV file made of many pages, byte for byte as they came: the header of every page but the
 * first is left away.
 */
final class PagedFile implements AutoCloseable {
  private static final int MOST_OF_A_HEADER = 65_536;

  private final OutputStream file;
  private long left;
  private boolean isBegun;

  /** Begins a file that takes pages of so many bytes in all. */
  PagedFile(Path file, long limit) throws IOException {
    this.file = new BufferedOutputStream(Files.newOutputStream(file));
    left = limit;
  }

  /**
   * Adds a page.
   *
   * @throws Refusal pull-too-large
   * @throws IOException where it cannot be read, or its header does not end
   */
  void add(InputStream page) throws IOException {
    byte[] head = page.readNBytes(MOST_OF_A_HEADER);
    int from = isBegun ? FirstRecord.length(head) : 0;
    if (from < 0 && head.length == MOST_OF_A_HEADER) {
      throw new IOException(PullWords.HEADER_OF_PAGE_DOES_NOT_END);
    }
    isBegun = true;
    int last = write(head, from < 0 ? head.length : from, head.length, '\n');
    byte[] buffer = new byte[MOST_OF_A_HEADER];
    for (int read = page.read(buffer); read >= 0; read = page.read(buffer)) {
      last = write(buffer, 0, read, last);
    }
    if (last != '\n') {
      file.write('\n');
    }
  }

  /** Writes some bytes of those read and gives the last one written, else the one before. */
  private int write(byte[] bytes, int from, int read, int before) throws IOException {
    left -= read;
    if (left < 0) {
      throw Refusal.of("pull-too-large", PullWords.PAGES_ARE_TOO_LARGE);
    }
    file.write(bytes, from, read - from);
    return read > from ? bytes[read - 1] : before;
  }

  @Override
  public void close() throws IOException {
    file.close();
  }
}
