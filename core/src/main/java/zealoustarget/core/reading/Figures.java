package zealoustarget.core.reading;

/** How figures are written in sentences: thin-space thousands and a true minus sign. */
public final class Figures {
  private static final char NARROW_SPACE = '\u202f';
  private static final char MINUS = '\u2212';

  private Figures() {}

  /** Groups the digits of a plain decimal: {@code "-13650.00"} is "−13 650.00". */
  public static String grouped(String decimal) {
    boolean isNegative = decimal.startsWith("-");
    String digits = isNegative ? decimal.substring(1) : decimal;
    int point = digits.indexOf('.');
    int end = point < 0 ? digits.length() : point;
    StringBuilder text = new StringBuilder(digits);
    for (int at = end - 3; at > 0; at -= 3) {
      text.insert(at, NARROW_SPACE);
    }
    return isNegative ? MINUS + text.toString() : text.toString();
  }
}
