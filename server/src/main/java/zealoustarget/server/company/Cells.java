package zealoustarget.server.company;

/**
 * Texts in the cells of an export. A spreadsheet must not run them as formulas, and they have to
 * come back as they were: where one begins like a formula or with an apostrophe, an apostrophe is
 * put before it, and taken off again in reading.
 */
final class Cells {
  private static final String LED = "=+-@\t\r'";

  private Cells() {}

  static String written(String text) {
    if (text == null) {
      return "";
    }
    return !text.isEmpty() && LED.indexOf(text.charAt(0)) >= 0 ? "'" + text : text;
  }

  static String read(String cell) {
    return cell.startsWith("'") ? cell.substring(1) : cell;
  }
}
