package zealoustarget.server.earnings.statements;

import com.openhtmltopdf.outputdevice.helper.BaseRendererBuilder.FontStyle;
import com.openhtmltopdf.pdfboxout.PdfRendererBuilder;
import com.openhtmltopdf.util.XRLog;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import java.util.function.IntConsumer;
import java.util.logging.Level;
import org.apache.pdfbox.io.ScratchFile;
import org.apache.pdfbox.multipdf.PDFMergerUtility;
import org.springframework.web.util.HtmlUtils;
import zealoustarget.core.amount.Writing;
import zealoustarget.core.calendar.SpanWords;
import zealoustarget.server.earnings.EarningsRow;

/** Statements as PDF, one to a page. */
public final class StatementPdf {
  private static final int AT_ONCE = 50;
  private static final String FONTS = "/net/sf/jasperreports/fonts/dejavu/";
  private static final String STYLE =
      """
      @page { size: A4; margin: 22mm 20mm; }
      body { font-family: Statement; font-size: 10pt; color: #1d2433; }
      section { page-break-after: always; }
      section:last-child { page-break-after: auto; }
      p { margin: 0 0 3mm 0; } .quiet { color: #5d6678; }
      h1 { font-size: 16pt; margin: 0 0 1mm 0; }
      table { width: 100%; border-collapse: collapse; margin-top: 6mm; }
      td { padding: 2mm 0; border-bottom: 0.2mm solid #dfe3e8; vertical-align: top; }
      td.figure { text-align: right; white-space: nowrap; padding-left: 6mm; }
      tr.sum td { font-weight: bold; border-bottom: 0.4mm solid #1d2433; }
      .foot { margin-top: 8mm; font-size: 8pt; color: #5d6678; }
      """;

  static {
    XRLog.listRegisteredLoggers().forEach(name -> XRLog.setLevel(name, Level.WARNING));
  }

  /**
   * Whose statements, of which month.
   *
   * @param seal hash of the month's seal; null while they are not final
   * @param writing how figures are written
   */
  public record About(
      String company, YearMonth month, String currency, String seal, Writing writing) {
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
      merger.mergeDocuments(() -> new ScratchFile(file.getParent().toFile()));
    } finally {
      for (Path part : parts) {
        Files.deleteIfExists(part);
      }
    }
  }

  private static void render(List<EarningsRow> rows, About about, OutputStream out) {
    StringBuilder html = new StringBuilder("<html><head><style>");
    html.append(STYLE).append("</style></head><body>");
    rows.forEach(row -> append(row, about, html));
    html.append("</body></html>");
    PdfRendererBuilder builder = new PdfRendererBuilder();
    builder.useFastMode();
    builder.useFont(() -> font("DejaVuSans.ttf"), "Statement", 400, FontStyle.NORMAL, true);
    builder.useFont(() -> font("DejaVuSans-Bold.ttf"), "Statement", 700, FontStyle.NORMAL, true);
    builder.withHtmlContent(html.toString(), null);
    builder.toStream(out);
    try {
      builder.run();
    } catch (IOException failure) {
      throw new UncheckedIOException(failure);
    }
  }

  private static InputStream font(String name) {
    return StatementPdf.class.getResourceAsStream(FONTS + name);
  }

  private static void append(EarningsRow row, About about, StringBuilder html) {
    html.append("<section><p class=\"quiet\">").append(text(about.company())).append("</p><h1>");
    html.append(text(row.name())).append("</h1><p>Commission statement, ");
    html.append(text(SpanWords.name(about.month())));
    html.append(row.plan() == null ? "" : " · " + text(row.plan())).append("</p>");
    html.append("<p class=\"quiet\">").append(text(row.rep()));
    html.append(row.region() == null ? "" : ", " + text(row.region())).append("; status: ");
    html.append(text(row.status())).append("; amounts in ").append(text(about.currency()));
    html.append("</p><table>");
    for (StatementLines.Line line : StatementLines.of(row, about.month(), about.writing())) {
      boolean isFigure = line.figure() != null && line.figure().matches("-?[0-9.]+");
      html.append(line.kind().equals("sum") ? "<tr class=\"sum\"><td>" : "<tr><td>");
      html.append(text(line.words())).append("</td><td class=\"figure\">");
      html.append(text(isFigure ? about.writing().grouped(line.figure()) : line.figure()));
      html.append("</td></tr>");
    }
    html.append("</table><p class=\"foot\">");
    html.append(
        about.isSealed()
            ? "The month is sealed; later corrections are settled in a later month. Seal "
                + about.seal()
            : "Provisional: the month is not sealed yet.");
    html.append("</p></section>");
  }

  private static String text(String text) {
    return HtmlUtils.htmlEscapeDecimal(text == null ? "–" : text);
  }
}
