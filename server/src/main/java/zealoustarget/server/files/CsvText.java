package zealoustarget.server.files;

import de.siegmar.fastcsv.reader.CsvParseException;
import de.siegmar.fastcsv.reader.CsvReader;
import de.siegmar.fastcsv.reader.CsvRecord;
import de.siegmar.fastcsv.reader.FieldMismatchStrategy;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.concurrent.CancellationException;
import zealoustarget.core.Refusal;
import zealoustarget.core.intake.Finding;
import zealoustarget.core.intake.FindingCode;

/** A CSV file: comma, semicolon, tab or pipe, any line ends, quoted cells with line breaks. */
final class CsvText implements TableFile {
  private final Upload upload;
  private final Charset charset;
  private final Separator separator;
  private final FileLimits limits;

  CsvText(Upload upload, Charset charset, Separator separator, FileLimits limits) {
    this.upload = upload;
    this.charset = charset;
    this.separator = separator;
    this.limits = limits;
  }

  @Override
  public void read(LineVisitor visitor) {
    int[] last = {0};
    try {
      visit(
          false,
          (line, cells, isCutOff) -> {
            visitor.visit(line, cells, false);
            last[0] = line;
          });
    } catch (CsvParseException unclosed) {
      checkStopped(unclosed);
      readRest(last[0], visitor);
    }
  }

  /** Reading that was stopped from within the stream is no fault of the file. */
  private static void checkStopped(CsvParseException broken) {
    for (Throwable cause = broken; cause != null; cause = cause.getCause()) {
      if (cause instanceof CancellationException stopped) {
        throw stopped;
      }
    }
  }

  /** The lines from one on that opens a quote which is never closed. */
  private void readRest(int lastWholeLine, LineVisitor visitor) {
    if (lastWholeLine == 0) {
      throw Refusal.of("file-unreadable", "A quote in the header line is never closed.");
    }
    try {
      visit(
          true,
          (line, cells, isCutOff) -> {
            if (line > lastWholeLine) {
              visitor.visit(line, cells, true);
            }
          });
    } catch (CsvParseException unreadable) {
      checkStopped(unreadable);
      throw Refusal.of(
          "file-unreadable",
          "The file cannot be read as CSV after line "
              + lastWholeLine
              + ": a cell or a line has no end. A quote that is never closed is the usual cause.");
    }
  }

  @Override
  public String dialect() {
    return separator.word() + ", " + charset.name();
  }

  @Override
  public boolean isCommaGrouping() {
    return separator != Separator.SEMICOLON;
  }

  @Override
  public List<String> sheets() {
    return List.of();
  }

  @Override
  public String sheet() {
    return "";
  }

  @Override
  public List<Finding> findings() {
    return charset.equals(StandardCharsets.UTF_8)
        ? List.of()
        : List.of(
            Finding.of(1, null, FindingCode.ENCODING_GUESSED, "encoding", charset.displayName()));
  }

  /** Takes CSV as programs write it: lines of any length, quotes inside of cells. */
  @SuppressWarnings("removal") // a quote inside a cell is common, and nothing else allows it yet
  static CsvReader.CsvReaderBuilder lenient(Separator separator) {
    return CsvReader.builder()
        .fieldSeparator(separator.mark())
        .extraFieldStrategy(FieldMismatchStrategy.IGNORE)
        .missingFieldStrategy(FieldMismatchStrategy.IGNORE)
        .allowExtraCharsAfterClosingQuote(true)
        .detectBomHeader(true);
  }

  @SuppressWarnings("removal") // as above
  private void visit(boolean isUnclosedAllowed, LineVisitor visitor) {
    try (CsvReader<CsvRecord> records =
        lenient(separator)
            .allowUnclosedQuote(isUnclosedAllowed)
            .ofCsvRecord(upload.open(), charset)) {
      int number = 0;
      for (CsvRecord one : records) {
        List<String> cells = one.getFields();
        int line = (int) one.getStartingLineNumber();
        if (!TableFile.isBlank(cells) && !(line == 1 && Separator.isHint(cells))) {
          limits.check(line, cells, number++);
          visitor.visit(line, cells, false);
        }
      }
    } catch (IOException failure) {
      throw new UncheckedIOException(failure);
    }
  }
}
