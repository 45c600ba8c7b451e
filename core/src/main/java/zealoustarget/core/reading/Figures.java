package zealoustarget.core.reading;

import java.math.BigDecimal;
import java.math.RoundingMode;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.ladder.Shown;

/** How figures are written in sentences: thin-space thousands and a true minus sign. */
public final class Figures {
  private static final char NARROW_SPACE = '\u202f';
  private static final char MINUS = '\u2212';

  private static final String[] NUMBERS = {
    "no", "one", "two", "three", "four", "five", "six", "seven", "eight", "nine", "ten", "eleven",
    "twelve"
  };

  private Figures() {}

  /** A count in words up to twelve, beyond in digits. */
  public static String number(int count) {
    return count < NUMBERS.length ? NUMBERS[count] : grouped(Integer.toString(count));
  }

  public static String capital(String text) {
    return Character.toUpperCase(text.charAt(0)) + text.substring(1);
  }

  /** An amount with its currency; a rate as a percentage. */
  public static String amount(Ratio smallestUnits, Measure measure) {
    if (measure.isRate()) {
      return Shown.percent(smallestUnits.dividedBy(measure.unitsPerOne())) + " %";
    }
    return grouped(measure.text(smallestUnits))
        + (measure.isCurrency() ? " " + measure.unit() : "");
  }

  /** A difference between rates in points of a percent: 0.003 is "0.3 points". */
  public static String points(Ratio smallestUnits, Measure measure) {
    Ratio points = smallestUnits.dividedBy(measure.unitsPerOne()).times(Ratio.of(100));
    for (int decimals = 1; decimals <= 4; decimals++) {
      var shown = points.rounded(decimals, RoundingMode.HALF_UP);
      if (shown.signum() != 0) {
        return grouped(shown.toPlainString())
            + (shown.stripTrailingZeros().toPlainString().equals("1") ? " point" : " points");
      }
    }
    return "under 0.0001 points";
  }

  /**
   * A part of a whole in percent without the sign, rounded half up to a whole one: 0.828 is 83. A
   * part that is not all is never 100, one that is something never 0: there it has decimals.
   */
  public static String share(Ratio part) {
    Ratio percent = part.times(Ratio.of(100));
    for (int decimals = 0; decimals <= 4; decimals++) {
      var shown = percent.rounded(decimals, RoundingMode.HALF_UP);
      boolean isAll = shown.compareTo(BigDecimal.valueOf(100)) == 0;
      boolean isNothing = shown.signum() == 0;
      if (isAll == part.equals(Ratio.ONE) && isNothing == (part.signum() == 0)) {
        return shown.toPlainString();
      }
    }
    return percent.rounded(4, RoundingMode.DOWN).toPlainString();
  }

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
