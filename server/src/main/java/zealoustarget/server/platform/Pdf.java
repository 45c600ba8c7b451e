package zealoustarget.server.platform;

import com.openhtmltopdf.outputdevice.helper.BaseRendererBuilder.FontStyle;
import com.openhtmltopdf.pdfboxout.PdfRendererBuilder;
import com.openhtmltopdf.util.XRLog;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.util.List;
import java.util.logging.Level;

/** Pages of HTML as PDF, in the product's own face. */
public final class Pdf {
  private static final String FONTS = "/fonts/";

  static {
    XRLog.listRegisteredLoggers().forEach(name -> XRLog.setLevel(name, Level.WARNING));
  }

  private Pdf() {}

  /**
   * Writes a document; its fonts are Text, TextExtended, Figures and Fallback.
   *
   * @param html well-formed
   * @param isTagged whether it is tagged for readers that speak it (PDF/UA)
   */
  public static void write(String html, boolean isTagged, OutputStream out) throws IOException {
    PdfRendererBuilder builder = new PdfRendererBuilder();
    builder.useFastMode();
    builder.usePdfUaAccessibility(isTagged);
    for (String face : List.of("Text", "TextExtended", "Figures")) {
      for (int weight : new int[] {400, 700}) {
        builder.useFont(
            () -> font(face + "-" + weight + ".ttf"), face, weight, FontStyle.NORMAL, true);
      }
    }
    builder.useFont(() -> font("DejaVuSans.ttf"), "Fallback", 400, FontStyle.NORMAL, true);
    builder.useFont(() -> font("DejaVuSans-Bold.ttf"), "Fallback", 700, FontStyle.NORMAL, true);
    builder.withHtmlContent(html, null);
    builder.toStream(out);
    builder.run();
  }

  private static InputStream font(String name) {
    return Pdf.class.getResourceAsStream(FONTS + name);
  }
}
