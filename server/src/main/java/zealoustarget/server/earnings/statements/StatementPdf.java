package zealoustarget.server.earnings.statements;

import com.samskivert.mustache.Mustache;
import com.samskivert.mustache.Template;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.OutputStream;
import java.io.Reader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.IntConsumer;
import org.apache.pdfbox.io.ScratchFile;
import org.apache.pdfbox.multipdf.PDFMergerUtility;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Writing;
import zealoustarget.core.calendar.SpanWords;
import zealoustarget.server.earnings.EarningsRow;
import zealoustarget.server.platform.Pdf;

/** Statements as PDF, one to a page. */
public final class StatementPdf {
  private static final int AT_ONCE = 50;
  private static final Template PAGES = template();

  /**
   * Whose statements, of which month.
   *
   * @param seal hash of the month's seal; null while they are not final
   * @param writing how figures are written
   */
  public record About(
      @Nullable String company,
      YearMonth month,
      String currency,
      @Nullable String seal,
      Writing writing) {
    public boolean isSealed() {
      return seal != null;
    }
  }

  private StatementPdf() {}

  /** One rep's statement. */
  public static byte[] one(EarningsRow row, About about) {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    render(List.of(row), about, out);
    return out.toByteArray();
  }

  /**
   * All statements in one file, written in parts that are put together at the end.
   *
   * @param done is told how many statements are written
   */
  public static void all(List<EarningsRow> rows, About about, Path file, IntConsumer done)
      throws IOException {
    List<Path> parts = new ArrayList<>();
    try {
      for (int first = 0; first < rows.size(); first += AT_ONCE) {
        List<EarningsRow> some = rows.subList(first, Math.min(first + AT_ONCE, rows.size()));
        Path part = Files.createTempFile(file.getParent(), "part", ".pdf");
        parts.add(part);
        try (OutputStream out = Files.newOutputStream(part)) {
          render(some, about, out);
        }
        done.accept(first + some.size());
      }
      PDFMergerUtility merger = new PDFMergerUtility();
      for (Path part : parts) {
        merger.addSource(part.toFile());
      }
      merger.setDestinationFileName(file.toString());
      merger.mergeDocuments(
          () -> new ScratchFile(Objects.requireNonNull(file.getParent()).toFile()));
    } finally {
      for (Path part : parts) {
        Files.deleteIfExists(part);
      }
    }
  }

  private static void render(List<EarningsRow> rows, About about, OutputStream out) {
    List<Page> pages = rows.stream().map(row -> Page.of(row, about)).toList();
    String html = PAGES.execute(Map.of("statements", pages));
    try {
      Pdf.write(html, false, out);
    } catch (IOException failure) {
      throw new UncheckedIOException(failure);
    }
  }

  private static Template template() {
    try (Reader text =
        new InputStreamReader(
            StatementPdf.class.getResourceAsStream("/statements/statements.html"),
            StandardCharsets.UTF_8)) {
      return Mustache.compiler().nullValue("–").compile(text);
    } catch (IOException failure) {
      throw new UncheckedIOException(failure);
    }
  }

  /** What the template says of one statement; texts are escaped there. */
  record Page(EarningsRow row, About about, String month, List<Line> lines) {
    record Line(String words, @Nullable String figure, boolean isSum) {}

    static Page of(EarningsRow row, About about) {
      List<Line> lines =
          StatementLines.of(row, about.month(), about.writing()).stream()
              .map(line -> line(line, about.writing()))
              .toList();
      return new Page(row, about, SpanWords.name(about.month()), lines);
    }

    private static Line line(StatementLines.Line line, Writing writing) {
      boolean isFigure = line.figure().matches("-?[0-9.]+");
      return new Line(
          line.words(),
          isFigure ? writing.grouped(line.figure()) : line.figure(),
          line.kind().equals("sum"));
    }
  }
}
