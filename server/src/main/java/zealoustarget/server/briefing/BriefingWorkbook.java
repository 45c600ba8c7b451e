package zealoustarget.server.briefing;

import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.math.BigDecimal;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.dhatim.fastexcel.Workbook;
import org.dhatim.fastexcel.Worksheet;
import org.jspecify.annotations.Nullable;
import zealoustarget.server.briefing.BriefingDocument.Document;
import zealoustarget.server.briefing.BriefingDocument.Part;
import zealoustarget.server.briefing.ExhibitData.Column;
import zealoustarget.server.standing.view.CachedValues;

/** A briefing as a workbook: its claims with every figure's query, and a sheet for each exhibit. */
final class BriefingWorkbook {
  private static final int LONGEST_NAME = 28;
  private static final int WIDE = 60;
  private static final int NARROW = 18;

  private BriefingWorkbook() {}

  /**
   * Writes it; columns that can be computed are formulas, with their values beside them.
   *
   * @param plain a file to work in, deleted at the end
   */
  static void write(Document document, Path plain, OutputStream out) throws IOException {
    Map<String, Map<String, String>> values = new HashMap<>();
    try {
      try (OutputStream to = new BufferedOutputStream(Files.newOutputStream(plain))) {
        Workbook book = new Workbook(to, BriefingWords.ZEALOUS_TARGET, "1.0");
        claims(book.newWorksheet("Briefing"), document);
        Set<String> names = new HashSet<>(Set.of("briefing"));
        int sheet = 2;
        for (Part part : document.parts()) {
          if (part.exhibit() != null) {
            Worksheet page = book.newWorksheet(name(part.text(), names));
            values.put(
                "xl/worksheets/sheet" + sheet + ".xml", exhibit(page, part.exhibit().data()));
            sheet++;
          }
        }
        book.finish();
      }
      CachedValues.add(plain, values, out);
    } finally {
      Files.delete(plain);
    }
  }

  private static String name(String title, Set<String> taken) {
    String plain = title.replaceAll("[\\\\/?*\\[\\]:']", " ").strip();
    String base = plain.substring(0, Math.min(plain.length(), LONGEST_NAME));
    String name = base;
    for (int number = 2; !taken.add(name.toLowerCase(Locale.ROOT)); number++) {
      name = base + " " + number;
    }
    return name;
  }

  private static void claims(Worksheet sheet, Document document) {
    sheet.value(0, 0, document.company());
    sheet.value(1, 0, document.title());
    sheet.style(1, 0).bold().set();
    sheet.value(
        2,
        0,
        document.isDraft() ? BriefingWords.NOT_SIGNED : BriefingWords.signedBy(document.signed()));
    sheet.value(
        3, 0, document.checksum() == null ? "" : BriefingWords.checksum(document.checksum()));
    List<String> head = List.of("Claim", "Figure", "Value", BriefingWords.AS_IT_IS_READ, "Query");
    for (int at = 0; at < head.size(); at++) {
      sheet.value(5, at, head.get(at));
      sheet.style(5, at).bold().set();
      sheet.width(at, at == 0 || at == 4 ? WIDE : NARROW);
    }
    int row = 6;
    for (Part part : document.parts()) {
      if (part.exhibit() != null) {
        continue;
      }
      sheet.value(row, 0, (part.isClaim() ? part.number() + ". " : "") + part.text());
      for (Block.Figure figure : part.figures()) {
        sheet.value(
            row, 1, figure.query().row() + ", " + BriefingText.word(figure.query().field()));
        number(sheet, row, 2, figure.value());
        sheet.value(row, 3, figure.shown());
        sheet.value(row, 4, figure.query().of() + " " + figure.query().view());
        row++;
      }
      row += part.figures().isEmpty() ? 1 : 0;
    }
    if (document.leftOut() != null) {
      sheet.value(row + 1, 0, document.leftOut());
    }
    sheet.freezePane(0, 6);
  }

  /** A figure as a number where it is one, so that it can be computed with. */
  private static void number(Worksheet sheet, int row, int column, String value) {
    if (value.matches("-?[0-9]+(\\.[0-9]+)?")) {
      sheet.value(row, column, new BigDecimal(value));
    } else {
      sheet.value(row, column, value);
    }
  }

  /** Writes an exhibit and gives what its formulas compute, by cell. */
  private static Map<String, String> exhibit(Worksheet sheet, ExhibitData data) {
    Map<String, String> computed = new HashMap<>();
    List<Column> columns = data.columns();
    for (int at = 0; at < columns.size(); at++) {
      sheet.value(0, at, columns.get(at).title());
      sheet.style(0, at).bold().set();
      sheet.width(at, at == 0 ? WIDE / 2 : NARROW);
    }
    int line = 1;
    for (ExhibitData.Row row : data.rows()) {
      for (int at = 0; at < columns.size(); at++) {
        cell(sheet, line, at, columns.get(at), row.values().get(at), row, computed);
      }
      line++;
    }
    sheet.value(line + 1, 0, data.period() + ", " + data.unit() + ", " + data.source());
    sheet.freezePane(1, 1);
    return computed;
  }

  private static void cell(
      Worksheet sheet,
      int line,
      int at,
      Column column,
      @Nullable String value,
      ExhibitData.Row row,
      Map<String, String> computed) {
    if (value == null) {
      return;
    }
    boolean isGiven =
        row.values().subList(1, at < 1 ? 1 : at).stream().allMatch(one -> one != null);
    if (column.formula() != null && isGiven) {
      sheet.formula(line, at, column.formula().replace("#", Integer.toString(line + 1)));
      computed.put((char) ('A' + at) + Integer.toString(line + 1), value);
    } else if (column.format().equals("text")) {
      sheet.value(line, at, value);
    } else {
      sheet.value(line, at, new BigDecimal(value));
    }
    if (!column.format().equals("text")) {
      sheet
          .style(line, at)
          .format(
              column.format().equals("percent")
                  ? "0.0%"
                  : value.contains(".") ? "#,##0.00" : "#,##0")
          .set();
    }
    if (row.isTotal()) {
      sheet.style(line, at).bold().set();
    }
  }
}
