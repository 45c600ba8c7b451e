package zealoustarget.server.intake;

import de.siegmar.fastcsv.reader.CsvParseException;
import de.siegmar.fastcsv.reader.CsvReader;
import de.siegmar.fastcsv.reader.CsvRecord;
import de.siegmar.fastcsv.reader.FieldMismatchStrategy;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.Reader;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.CodingErrorAction;
import java.nio.charset.StandardCharsets;
import java.security.DigestInputStream;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.List;
import zealoustarget.core.Refusal;

/**
 * A CSV file in UTF-8: comma, semicolon or tab, any line ends, quoted fields with line breaks. Read
 * as a stream, as often as needed; no part of it is kept.
 */
final class CsvText {
  /** Receives each line that is not empty; the first is the header. */
  interface LineVisitor {
    void visit(int line, List<String> cells);
  }

  private static final int SAMPLE = 65_536;
  private static final List<String> OTHER_FILES =
      List.of("PK\003\004", "%PDF", "\u00d0\u00cf\u0011\u00e0");
  private static final char[] SEPARATORS = {',', ';', '\t'};

  private final Upload upload;
  private final String contentHash;
  private final char separator;
  private int lastWholeLine = Integer.MAX_VALUE;

  private CsvText(Upload upload, String contentHash, char separator) {
    this.upload = upload;
    this.contentHash = contentHash;
    this.separator = separator;
  }

  /**
   * Looks through a file once: hash, encoding, separator.
   *
   * @throws Refusal file-empty, file-not-text, file-encoding
   */
  static CsvText of(Upload upload) {
    MessageDigest digest = sha256();
    StringBuilder sample = new StringBuilder();
    try {
      checkHead(upload);
      try (InputStream bytes = new DigestInputStream(upload.open(), digest);
          Reader text = reader(bytes)) {
        checkText(upload, text, sample);
      }
    } catch (IOException failure) {
      throw new UncheckedIOException(failure);
    }
    String hash = HexFormat.of().formatHex(digest.digest());
    return new CsvText(upload, hash, separatorOf(sample.toString()));
  }

  /** SHA-256 of the bytes, in hexadecimal. */
  String contentHash() {
    return contentHash;
  }

  boolean isSemicolon() {
    return separator == ';';
  }

  /**
   * Whether that line opens a quote which the file never closes. Known after {@link #readWhole}.
   */
  boolean isCutOff(int line) {
    return line > lastWholeLine;
  }

  /** Visits all lines that are whole, and finds out which one is not. */
  void readWhole(LineVisitor visitor) {
    int[] last = {0};
    try {
      visit(
          false,
          (line, cells) -> {
            last[0] = line;
            visitor.visit(line, cells);
          });
    } catch (CsvParseException unclosed) {
      lastWholeLine = last[0];
    }
  }

  /**
   * Visits all lines, one cut off by the file's end included.
   *
   * @throws Refusal file-unreadable
   */
  void readAll(LineVisitor visitor) {
    try {
      visit(true, visitor);
    } catch (CsvParseException unreadable) {
      throw Refusal.of(
          "file-unreadable",
          "The file cannot be read as CSV: a cell is larger than 16 million characters or a line has"
              + " too many cells. A quote that is never closed is the usual cause.");
    }
  }

  @SuppressWarnings("removal") // a quote inside a cell is common, and nothing else allows it yet
  private void visit(boolean isUnclosedAllowed, LineVisitor visitor) {
    try (CsvReader<CsvRecord> records =
        CsvReader.builder()
            .fieldSeparator(separator)
            .extraFieldStrategy(FieldMismatchStrategy.IGNORE)
            .missingFieldStrategy(FieldMismatchStrategy.IGNORE)
            .allowExtraCharsAfterClosingQuote(true)
            .allowUnclosedQuote(isUnclosedAllowed)
            .detectBomHeader(true)
            .ofCsvRecord(upload.open(), StandardCharsets.UTF_8)) {
      for (CsvRecord one : records) {
        List<String> cells = one.getFields();
        if (!isBlank(cells)) {
          visitor.visit((int) one.getStartingLineNumber(), cells);
        }
      }
    } catch (IOException failure) {
      throw new UncheckedIOException(failure);
    }
  }

  private static boolean isBlank(List<String> cells) {
    for (String cell : cells) {
      if (!cell.isBlank()) {
        return false;
      }
    }
    return true;
  }

  private static void checkText(Upload upload, Reader text, StringBuilder sample)
      throws IOException {
    char[] buffer = new char[SAMPLE];
    boolean hasText = false;
    try {
      for (int read = text.read(buffer); read >= 0; read = text.read(buffer)) {
        for (int i = 0; i < read; i++) {
          if (buffer[i] == 0) {
            throw notText(upload);
          }
          hasText |= !Character.isWhitespace(buffer[i]) && buffer[i] != '\ufeff';
        }
        if (sample.length() < SAMPLE) {
          sample.append(buffer, 0, read);
        }
      }
    } catch (CharacterCodingException notUtf8) {
      throw notUtf8(upload, firstLineThatIsNotUtf8(upload));
    }
    if (!hasText) {
      throw Refusal.of("file-empty", "\"" + upload.name() + "\" is empty.");
    }
  }

  /** Archives, pages and old sheets are known by their first bytes, before they fail as text. */
  private static void checkHead(Upload upload) throws IOException {
    byte[] head;
    try (InputStream bytes = upload.open()) {
      head = bytes.readNBytes(4096);
    }
    String first = new String(head, 0, Math.min(4, head.length), StandardCharsets.ISO_8859_1);
    if (OTHER_FILES.stream().anyMatch(first::startsWith)) {
      throw notText(upload);
    }
    for (byte one : head) {
      if (one == 0) {
        throw notText(upload);
      }
    }
  }

  private static int firstLineThatIsNotUtf8(Upload upload) throws IOException {
    int line = 1;
    try (BufferedReader bytes =
        new BufferedReader(new InputStreamReader(upload.open(), StandardCharsets.ISO_8859_1))) {
      for (String text = bytes.readLine(); text != null; text = bytes.readLine()) {
        byte[] raw = text.getBytes(StandardCharsets.ISO_8859_1);
        if (!isUtf8(raw)) {
          return line;
        }
        line++;
      }
    }
    return line;
  }

  private static boolean isUtf8(byte[] bytes) {
    try {
      StandardCharsets.UTF_8.newDecoder().decode(ByteBuffer.wrap(bytes));
      return true;
    } catch (CharacterCodingException notUtf8) {
      return false;
    }
  }

  private static Refusal notText(Upload upload) {
    return Refusal.of(
        "file-not-text",
        "\""
            + upload.name()
            + "\" is no text, so no CSV. Save the sheet as CSV (UTF-8) and load that.");
  }

  private static Refusal notUtf8(Upload upload, int line) {
    return Refusal.of(
            "file-encoding",
            "\""
                + upload.name()
                + "\" is not in UTF-8, from line "
                + line
                + " on. Save it as CSV (UTF-8) and load that.")
        .with("line", line);
  }

  private static Reader reader(InputStream bytes) {
    return new InputStreamReader(
        bytes,
        StandardCharsets.UTF_8
            .newDecoder()
            .onMalformedInput(CodingErrorAction.REPORT)
            .onUnmappableCharacter(CodingErrorAction.REPORT));
  }

  /** The separator that stands most often in the header line, outside of quotes. */
  private static char separatorOf(String sample) {
    String header = sample.replace("\ufeff", "").strip().split("\\R", 2)[0];
    String unquoted = header.replaceAll("\"[^\"]*\"", "");
    char best = ',';
    long most = 0;
    for (char candidate : SEPARATORS) {
      long count = unquoted.chars().filter(c -> c == candidate).count();
      if (count > most) {
        best = candidate;
        most = count;
      }
    }
    return best;
  }

  private static MessageDigest sha256() {
    try {
      return MessageDigest.getInstance("SHA-256");
    } catch (NoSuchAlgorithmException impossible) {
      throw new IllegalStateException(impossible);
    }
  }
}
