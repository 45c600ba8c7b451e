package zealoustarget.server.platform;

/** Texts in files that spreadsheets open. */
public final class CsvCells {
  private static final String FORMULA_STARTS = "=+-@\t\r";

  private CsvCells() {}

  /** Text that a spreadsheet would take for a formula stays text; null is empty. */
  public static String harmless(String text) {
    if (text == null) {
      return "";
    }
    return !text.isEmpty() && FORMULA_STARTS.indexOf(text.charAt(0)) >= 0 ? "'" + text : text;
  }
}
