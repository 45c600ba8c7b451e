package zealoustarget.server.standing.export;

import de.siegmar.fastcsv.writer.CsvWriter;
import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.io.Writer;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.dhatim.fastexcel.Workbook;
import org.dhatim.fastexcel.Worksheet;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Writing;
import zealoustarget.server.platform.http.CsvCells;
import zealoustarget.server.standing.view.CachedValues;

/** A table as CSV, or as a workbook whose computed columns are formulas. */
public final class Exports {
  private static final String FIRST_SHEET = "xl/worksheets/sheet1.xml";
  private static final int NAME_WIDTH = 26;
  private static final int FIGURE_WIDTH = 15;

  private Exports() {}

  /** How a column shows its numbers. */
  public enum Format {
    TEXT("@"),
    WHOLE("#,##0"),
    MONEY("#,##0.00"),
    PERCENT("0.0%"),
    FINE_PERCENT("0.00%");

    private final String code;

    Format(String code) {
      this.code = code;
    }

    /** Of a measure's amounts. */
    public static Format ofAmounts(String unit, int scale) {
      if (unit.equals("rate")) {
        return FINE_PERCENT;
      }
      return scale == 0 ? WHOLE : MONEY;
    }
  }

  public record Column(String title, Format format) {}

  /**
   * One cell.
   *
   * @param value as decimal text or words, null for none
   * @param formula computes the same in a workbook, null where the value is given
   */
  public record Cell(@Nullable String value, @Nullable String formula) {
    public static Cell of(@Nullable String value) {
      return new Cell(value, null);
    }
  }

  /**
   * What is taken along.
   *
   * @param strong how many rows at the top are totals
   * @param about lines that say what the table is
   */
  public record Table(
      String name,
      List<Column> columns,
      List<List<Cell>> rows,
      int strong,
      List<List<String>> about) {}

  /**
   * Writes CSV in UTF-8 with a mark, so that spreadsheets see it, with the company's decimal mark.
   */
  public static void csv(Table table, Writing writing, OutputStream out) throws IOException {
    Writer text = new OutputStreamWriter(out, StandardCharsets.UTF_8);
    text.write('\ufeff');
    CsvWriter csv = CsvCells.writer(text, writing);
    csv.writeRecord(table.columns().stream().map(Column::title).toList());
    for (List<Cell> row : table.rows()) {
      String[] cells = new String[row.size()];
      for (int at = 0; at < cells.length; at++) {
        String value = row.get(at).value();
        boolean isText = table.columns().get(at).format() == Format.TEXT;
        cells[at] = value == null ? "" : isText ? CsvCells.harmless(value) : writing.plain(value);
      }
      csv.writeRecord(cells);
    }
    csv.flush();
    text.flush();
  }

  /**
   * Writes a workbook: the table with a frozen head, and a sheet that says what it is. Formulas
   * have their values beside them.
   *
   * @param plain a file to work in, deleted at the end
   */
  public static void workbook(Table table, Path plain, OutputStream out) throws IOException {
    try {
      try (OutputStream to = new BufferedOutputStream(Files.newOutputStream(plain))) {
        plainWorkbook(table, to);
      }
      CachedValues.add(plain, FIRST_SHEET, values(table), out);
    } finally {
      Files.delete(plain);
    }
  }

  /** What each formula of a table computes, by its cell. */
  private static Map<String, String> values(Table table) {
    Map<String, String> values = new HashMap<>();
    for (int row = 0; row < table.rows().size(); row++) {
      for (int at = 0; at < table.rows().get(row).size(); at++) {
        Cell cell = table.rows().get(row).get(at);
        if (cell.formula() != null && cell.value() != null) {
          values.put(letters(at) + (row + 2), cell.value());
        }
      }
    }
    return values;
  }

  private static void plainWorkbook(Table table, OutputStream out) throws IOException {
    Workbook book = new Workbook(out, ExportWords.ZEALOUS_TARGET, "1.0");
    Worksheet sheet = book.newWorksheet(table.name());
    for (int at = 0; at < table.columns().size(); at++) {
      sheet.value(0, at, table.columns().get(at).title());
      sheet
          .style(0, at)
          .bold()
          .wrapText(true)
          .borderStyle("thin")
          .horizontalAlignment(table.columns().get(at).format() == Format.TEXT ? "left" : "right")
          .set();
      sheet.width(at, table.columns().get(at).format() == Format.TEXT ? NAME_WIDTH : FIGURE_WIDTH);
    }
    for (int row = 0; row < table.rows().size(); row++) {
      for (int at = 0; at < table.rows().get(row).size(); at++) {
        put(sheet, row + 1, at, table.rows().get(row).get(at), table.columns().get(at).format());
        var style = sheet.style(row + 1, at).format(table.columns().get(at).format().code);
        if (row < table.strong()) {
          style.bold();
        }
        style.set();
      }
    }
    sheet.freezePane(1, 1);
    Worksheet about = book.newWorksheet("About");
    about.width(0, NAME_WIDTH);
    for (int row = 0; row < table.about().size(); row++) {
      for (int at = 0; at < table.about().get(row).size(); at++) {
        about.value(row, at, CsvCells.harmless(table.about().get(row).get(at)));
      }
    }
    book.finish();
  }

  private static void put(Worksheet sheet, int row, int at, Cell cell, Format format) {
    if (cell.formula() != null) {
      sheet.formula(row, at, cell.formula());
    } else if (cell.value() != null && format == Format.TEXT) {
      sheet.value(row, at, CsvCells.harmless(cell.value()));
    } else if (cell.value() != null) {
      sheet.value(row, at, new BigDecimal(cell.value()));
    }
  }

  /** The letters of a column, from 0: A, B … Z, AA. */
  public static String letters(int column) {
    String last = String.valueOf((char) ('A' + column % 26));
    return column < 26 ? last : letters(column / 26 - 1) + last;
  }
}
