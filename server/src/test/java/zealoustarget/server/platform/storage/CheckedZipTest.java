package zealoustarget.server.platform.storage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.zip.CRC32;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class CheckedZipTest {
  private static final byte[] CONTENT = "one line\nand another\n".getBytes();

  @TempDir Path folder;

  /** Stored as it is, so that a byte of it can be changed in place. */
  private Path zip() throws IOException {
    Path file = folder.resolve("a.zip");
    try (OutputStream out = Files.newOutputStream(file);
        ZipOutputStream zip = new ZipOutputStream(out)) {
      ZipEntry entry = new ZipEntry("a.txt");
      CRC32 sum = new CRC32();
      sum.update(CONTENT);
      entry.setMethod(ZipEntry.STORED);
      entry.setSize(CONTENT.length);
      entry.setCrc(sum.getValue());
      zip.putNextEntry(entry);
      zip.write(CONTENT);
      zip.closeEntry();
    }
    return file;
  }

  private static byte[] read(Path file) throws IOException {
    try (CheckedZip zip = new CheckedZip(file);
        InputStream in = zip.getInputStream(zip.getEntry("a.txt"))) {
      return in.readAllBytes();
    }
  }

  @Test
  void wholeFile_isRead() throws IOException {
    assertThat(read(zip())).isEqualTo(CONTENT);
  }

  @Test
  void byteThatIsAnother_isNoticed_andTheFileNamed() throws IOException {
    Path file = zip();
    byte[] bytes = Files.readAllBytes(file);
    int at = new String(bytes, java.nio.charset.StandardCharsets.ISO_8859_1).indexOf("another");
    bytes[at] = 'A';
    Files.write(file, bytes);
    assertThatThrownBy(() -> read(file))
        .isInstanceOf(IOException.class)
        .hasMessage("The file a.txt in it is damaged.");
  }

  @Test
  void fileThatIsReadByTheByte_isComparedToo() throws IOException {
    try (CheckedZip zip = new CheckedZip(zip());
        InputStream in = zip.getInputStream(zip.getEntry("a.txt"))) {
      int read = 0;
      while (in.read() >= 0) {
        read++;
      }
      assertThat(read).isEqualTo(CONTENT.length);
    }
  }
}
