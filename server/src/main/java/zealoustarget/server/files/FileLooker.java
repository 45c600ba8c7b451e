package zealoustarget.server.files;

import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.Reader;
import java.io.UncheckedIOException;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.Charset;
import java.nio.charset.CharsetDecoder;
import java.nio.charset.CodingErrorAction;
import java.nio.charset.StandardCharsets;
import java.security.DigestInputStream;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;
import zealoustarget.core.Refusal;
import zealoustarget.server.platform.Sha256;
import zealoustarget.server.platform.storage.TemporaryFiles;

/** Looks what a file is, by its bytes and never by its name. */
@Component
public class FileLooker {
  static final int SAMPLE = 65_536;
  private static final int HEAD = 4_096;
  private static final int SHORTEST_WIDE = 16;
  private static final Charset WINDOWS = Charset.forName("windows-1252");
  private static final String ZIP = "PK\003\004";
  private static final String OLD_SHEET = "\u00d0\u00cf\u0011\u00e0";
  private static final List<String> OTHER_FILES =
      List.of("%PDF", "\u0089PNG", "\u001f\u008b", "Rar!");

  private final FileLimits limits;
  private final TemporaryFiles temporary;

  FileLooker(FileLimits limits, TemporaryFiles temporary) {
    this.limits = limits;
    this.temporary = temporary;
  }

  /** SHA-256 of a file's bytes, in hexadecimal. */
  public String contentHash(Upload upload) {
    try (DigestInputStream bytes = new DigestInputStream(upload.open(), Sha256.begin())) {
      bytes.transferTo(java.io.OutputStream.nullOutputStream());
      return Sha256.end(bytes.getMessageDigest());
    } catch (IOException failure) {
      throw new UncheckedIOException(failure);
    }
  }

  /**
   * Opens a file as a table.
   *
   * @param sheet which sheet of a workbook; empty for the first that is visible
   * @throws Refusal file-empty, file-not-text, file-encoding, workbook-protected,
   *     workbook-unreadable, workbook-too-large, sheet-unknown
   */
  public TableFile open(Upload upload, String sheet) {
    try {
      byte[] head = head(upload);
      String first = new String(head, StandardCharsets.ISO_8859_1);
      if (first.startsWith(ZIP)) {
        return Workbook.open(upload, sheet, limits, temporary);
      }
      if (first.startsWith(OLD_SHEET)) {
        throw Refusal.of(
            "workbook-protected", FilesWords.isOldOrPasswordProtectedWorkbook(upload.name()));
      }
      if (OTHER_FILES.stream().anyMatch(first::startsWith)) {
        throw notText(upload);
      }
      return text(upload, head);
    } catch (IOException failure) {
      throw new UncheckedIOException(failure);
    }
  }

  private TableFile text(Upload upload, byte[] head) throws IOException {
    StringBuilder sample = new StringBuilder();
    Charset charset = wideCharset(upload, head).orElse(StandardCharsets.UTF_8);
    boolean isReadable = isReadable(upload, charset, sample);
    if (!isReadable && charset.equals(StandardCharsets.UTF_8)) {
      charset = WINDOWS;
      sample.setLength(0);
      isReadable = isReadable(upload, charset, sample);
    }
    if (!isReadable) {
      throw Refusal.of("file-encoding", FilesWords.hasUnknownEncoding(upload.name()));
    }
    return new CsvText(upload, charset, Separator.of(sample.toString()), limits);
  }

  /** UTF-16, by its mark or by every second byte being 0. */
  private static Optional<Charset> wideCharset(Upload upload, byte[] head) {
    boolean isBigMarked = startsWith(head, 0xfe, 0xff);
    boolean isLittleMarked = startsWith(head, 0xff, 0xfe);
    int[] zeros = new int[2];
    for (int i = 0; i < head.length; i++) {
      zeros[i % 2] += head[i] == 0 ? 1 : 0;
    }
    boolean isLong = head.length >= SHORTEST_WIDE;
    if (isBigMarked || (isLong && zeros[0] > head.length / 4 && zeros[1] == 0)) {
      return Optional.of(StandardCharsets.UTF_16BE);
    }
    if (isLittleMarked || (isLong && zeros[1] > head.length / 4 && zeros[0] == 0)) {
      return Optional.of(StandardCharsets.UTF_16LE);
    }
    if (zeros[0] + zeros[1] > 0) {
      throw notText(upload);
    }
    return Optional.empty();
  }

  /** Reads the whole text once; false where bytes do not belong to the encoding. */
  private static boolean isReadable(Upload upload, Charset charset, StringBuilder sample)
      throws IOException {
    CharsetDecoder strict =
        charset
            .newDecoder()
            .onMalformedInput(CodingErrorAction.REPORT)
            .onUnmappableCharacter(CodingErrorAction.REPORT);
    char[] buffer = new char[SAMPLE];
    boolean hasText = false;
    try (InputStream bytes = upload.open();
        Reader text = new InputStreamReader(bytes, strict)) {
      for (int read = text.read(buffer); read >= 0; read = text.read(buffer)) {
        for (int i = 0; i < read; i++) {
          if (buffer[i] == 0) {
            throw notText(upload);
          }
          hasText |= !Character.isWhitespace(buffer[i]) && buffer[i] != '\ufeff';
        }
        if (sample.length() < SAMPLE) {
          sample.append(buffer, 0, Math.min(read, SAMPLE - sample.length()));
        }
      }
    } catch (CharacterCodingException notThis) {
      return false;
    }
    if (!hasText) {
      throw Refusal.of("file-empty", FilesWords.fileIsEmpty(upload.name()));
    }
    return true;
  }

  private static byte[] head(Upload upload) throws IOException {
    try (InputStream bytes = upload.open()) {
      return bytes.readNBytes(HEAD);
    }
  }

  private static boolean startsWith(byte[] head, int first, int second) {
    return head.length >= 2 && (head[0] & 0xff) == first && (head[1] & 0xff) == second;
  }

  private static Refusal notText(Upload upload) {
    return Refusal.of("file-not-text", FilesWords.isNeitherTextNorWorkbook(upload.name()));
  }
}
