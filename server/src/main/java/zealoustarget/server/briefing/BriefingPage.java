package zealoustarget.server.briefing;

import com.samskivert.mustache.Mustache;
import com.samskivert.mustache.Template;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.OutputStream;
import java.io.Reader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Base64;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.Refusal;
import zealoustarget.server.briefing.BriefingDocument.Document;
import zealoustarget.server.briefing.BriefingDocument.Drawn;
import zealoustarget.server.briefing.BriefingDocument.Part;
import zealoustarget.server.platform.Pdf;

/** A briefing as one web page that needs nothing else, and the same printed as PDF. */
final class BriefingPage {
  private static final Template PAGE = template();
  private static final int MOST_PRINTED = 2400; // rows, some 64 pages

  private BriefingPage() {}

  /** One file: no script, no address to fetch; the figures of every drawing stand as a table. */
  static String html(Document document) {
    return "<!DOCTYPE html>\n" + PAGE.execute(model(document, false));
  }

  /** Whether it is short enough to be printed as PDF, which is laid out in memory as a whole. */
  static boolean isPrintable(Document document) {
    return rows(document) <= MOST_PRINTED;
  }

  private static int rows(Document document) {
    return document.parts().stream()
        .mapToInt(part -> part.exhibit() == null ? 1 : part.exhibit().rows().size())
        .sum();
  }

  /**
   * Checks that it can be printed.
   *
   * @throws Refusal briefing-invalid for one that is too long
   */
  static void checkPrintable(Document document) {
    if (!isPrintable(document)) {
      throw Refusal.of(
          "briefing-invalid", BriefingWords.tooLongForPdf(rows(document), MOST_PRINTED));
    }
  }

  /** A tagged PDF with an outline and its fonts inside. */
  static void pdf(Document document, OutputStream out) throws IOException {
    Pdf.write(PAGE.execute(model(document, true)), true, out);
  }

  private static Map<String, Object> model(Document document, boolean isPrinted) {
    Map<String, @Nullable Object> model = new HashMap<>();
    model.put("company", document.company());
    model.put("title", document.title());
    model.put("isDraft", document.isDraft());
    model.put("isPrinted", isPrinted);
    model.put("prepared", document.prepared());
    model.put("signed", document.signed());
    model.put("checksum", document.checksum());
    model.put("leftOut", document.leftOut());
    model.put("content", isPrinted ? null : encoded(document.content()));
    List<Map<String, Object>> outline = new ArrayList<>();
    List<Map<String, Object>> parts = new ArrayList<>();
    for (Part part : document.parts()) {
      Map<String, Object> one = new HashMap<>();
      Drawn drawn = part.exhibit();
      if (drawn != null) {
        one.put("exhibit", exhibit(part, drawn));
        outline.add(Map.of("name", drawn.title(), "id", part.id()));
      } else if (part.isClaim()) {
        one.put("claim", Map.of("id", part.id(), "number", part.number(), "text", part.text()));
        outline.add(Map.of("name", part.number() + ". " + part.text(), "id", part.id()));
      } else {
        one.put("words", Map.of("text", part.text()));
      }
      parts.add(one);
    }
    model.put("outline", outline);
    model.put("parts", parts);
    return model;
  }

  private static Map<String, Object> exhibit(Part part, Drawn drawn) {
    return Map.of(
        "id", part.id(),
        "title", drawn.title(),
        "caption", drawn.caption(),
        "isGone", drawn.data().isGone(),
        "hasBars", drawn.hasBars(),
        "goalAt", drawn.goalAt(),
        "columns",
            drawn.data().columns().stream()
                .map(
                    column ->
                        Map.of(
                            "title", column.title(), "isFigure", !column.format().equals("text")))
                .toList(),
        "rows", drawn.rows());
  }

  private static @Nullable String encoded(@Nullable String content) {
    return content == null
        ? null
        : Base64.getEncoder().encodeToString(content.getBytes(StandardCharsets.UTF_8));
  }

  private static Template template() {
    try (Reader text =
        new InputStreamReader(
            BriefingPage.class.getResourceAsStream("/briefings/briefing.html"),
            StandardCharsets.UTF_8)) {
      return Mustache.compiler().defaultValue("").compile(text);
    } catch (IOException failure) {
      throw new UncheckedIOException(failure);
    }
  }
}
