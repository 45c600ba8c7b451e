package zealoustarget.server.platform.storage;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Path;
import java.util.zip.CRC32;
import java.util.zip.CheckedInputStream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;

/** A ZIP whose files are compared with their checksums, which the library leaves to the reader. */
public final class CheckedZip extends ZipFile {
  public CheckedZip(Path file) throws IOException {
    super(file.toFile());
  }

  /**
   * A file of it.
   *
   * @throws IOException in words, also at the end of the stream where the content is damaged
   */
  @Override
  public InputStream getInputStream(ZipEntry entry) throws IOException {
    return new Checked(super.getInputStream(entry), entry);
  }

  /** Compares when the last byte was read. */
  private static final class Checked extends CheckedInputStream {
    private final ZipEntry entry;

    Checked(InputStream in, ZipEntry entry) {
      super(in, new CRC32());
      this.entry = entry;
    }

    @Override
    public int read() throws IOException {
      return compared(super.read());
    }

    @Override
    public int read(byte[] into, int from, int length) throws IOException {
      return compared(super.read(into, from, length));
    }

    private int compared(int read) throws IOException {
      if (read < 0 && getChecksum().getValue() != entry.getCrc()) {
        throw new IOException(StorageWords.fileInItIsDamaged(entry.getName()));
      }
      return read;
    }
  }
}
