package zealoustarget.core.reading;

import java.math.BigDecimal;
import java.math.RoundingMode;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.amount.Writing;
import zealoustarget.core.ladder.Shown;

/** How figures are written in sentences, in the company's way of writing. */
public record Figures(Writing writing) {
  private static final String[] NUMBERS = {
    "no", "one", "two", "three", "four", "five", "six", "seven", "eight", "nine", "ten", "eleven",
    "twelve"
  };

  /** A count in words up to twelve, beyond in digits. */
  public String number(int count) {
    return count < NUMBERS.length ? NUMBERS[count] : grouped(Integer.toString(count));
  }

  public static String capital(String text) {
    return Character.toUpperCase(text.charAt(0)) + text.substring(1);
  }

  /** An amount, half up to the smallest unit, with its currency; a rate as a percentage. */
  public String amount(Ratio smallestUnits, Measure measure) {
    if (measure.isRate()) {
      return grouped(Shown.percent(smallestUnits.dividedBy(measure.unitsPerOne()))) + " %";
    }
    Ratio whole = Ratio.of(smallestUnits.rounded(0, RoundingMode.HALF_UP));
    return grouped(measure.text(whole)) + (measure.isCurrency() ? " " + measure.unit() : "");
  }

  /** A difference between rates in points of a percent: 0.003 is "0.3 points". */
  public String points(Ratio smallestUnits, Measure measure) {
    Ratio points = smallestUnits.dividedBy(measure.unitsPerOne()).times(Ratio.of(100));
    for (int decimals = 1; decimals <= 4; decimals++) {
      var shown = points.rounded(decimals, RoundingMode.HALF_UP);
      if (shown.signum() != 0) {
        return grouped(shown.toPlainString())
            + (shown.stripTrailingZeros().toPlainString().equals("1") ? " point" : " points");
      }
    }
    return "under " + grouped("0.0001") + " points";
  }

  /**
   * A part of a whole in percent without the sign, rounded half up to a whole one: 0.828 is 83. A
   * part that is not all is never 100, one that is something never 0: there it has decimals.
   */
  public String share(Ratio part) {
    Ratio percent = part.times(Ratio.of(100));
    for (int decimals = 0; decimals <= 4; decimals++) {
      var shown = percent.rounded(decimals, RoundingMode.HALF_UP);
      boolean isAll = shown.compareTo(BigDecimal.valueOf(100)) == 0;
      boolean isNothing = shown.signum() == 0;
      if (isAll == part.equals(Ratio.ONE) && isNothing == (part.signum() == 0)) {
        return grouped(shown.toPlainString());
      }
    }
    return grouped(percent.rounded(4, RoundingMode.DOWN).toPlainString());
  }

  /** A plain decimal as it is read. */
  public String grouped(String decimal) {
    return writing.grouped(decimal);
  }
}
