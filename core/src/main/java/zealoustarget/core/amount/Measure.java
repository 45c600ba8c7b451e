package zealoustarget.core.amount;

import java.util.Locale;
import org.jspecify.annotations.Nullable;

/**
 * What is counted. Amounts of it are whole numbers of its smallest unit (cents, pieces; of a rate
 * the hundred-millionth part).
 *
 * @param code the name in files and addresses: a letter, then letters, digits, {@code _} or {@code
 *     -}; the ends of a range end in {@code .low} and {@code .high}
 * @param unit a currency code such as {@code EUR}, {@code count}, or {@code rate}
 * @param scale decimals of one unit, 0 to 4; of a rate 8
 * @param direction which side of a goal is favourable
 * @param quotient the two measures that a rate divides, null for what is counted itself
 */
public record Measure(
    String code, String unit, int scale, Direction direction, @Nullable Quotient quotient) {
  /**
   * What a rate divides; both are summed before the division.
   *
   * @param over numerator, such as returns
   * @param under denominator, such as revenue
   */
  public record Quotient(Measure over, Measure under) {}

  public static final String COUNT = "count";
  public static final String RATE = "rate";
  public static final int RATE_SCALE = 8;

  /** Places of a rate that does not end, so that what is computed from the text keeps six. */
  private static final int RATE_PLACES = 12;

  /** Largest absolute amount of one posted line, in smallest units. */
  public static final long LARGEST_AMOUNT = 1_000_000_000_000_000L;

  private static final String LOW = ".low";
  private static final String HIGH = ".high";

  /** Checks the code's letters, the unit and the scale; the message names the part. */
  public Measure {
    if (!code.matches("[A-Za-z][A-Za-z0-9_-]{0,39}(\\.low|\\.high)?")) {
      throw new IllegalArgumentException(
          "code must be a letter, then up to 39 letters, digits, _ or -, was \"" + code + "\"");
    }
    if (quotient != null) {
      if (quotient.over().isRate() || quotient.under().isRate()) {
        throw new IllegalArgumentException("a rate must divide two measures that are no rates");
      }
    } else if (!unit.equals(COUNT) && !unit.matches("[A-Z]{3}")) {
      throw new IllegalArgumentException(
          "unit must be \"count\" or three capitals such as EUR, was \"" + unit + "\"");
    } else if (scale < 0 || scale > 4) {
      throw new IllegalArgumentException("scale must be 0 to 4, was " + scale);
    }
  }

  public Measure(String code, String unit, int scale, Direction direction) {
    this(code, unit, scale, direction, null);
  }

  /** A rate: the quotient of two summed measures, such as returns ÷ revenue. */
  public static Measure rate(String code, Measure over, Measure under, Direction direction) {
    return new Measure(code, RATE, RATE_SCALE, direction, new Quotient(over, under));
  }

  /**
   * What it is called in a sentence where the company gave it no name: "returnRate", "return rate".
   */
  public String words() {
    return words(code);
  }

  /** A code as words, in small letters. */
  public static String words(String code) {
    return code.replaceAll("([a-z0-9])([A-Z])", "$1 $2")
        .replaceAll("[_-]+", " ")
        .toLowerCase(Locale.ROOT);
  }

  public boolean isRate() {
    return quotient != null;
  }

  public boolean isCurrency() {
    return quotient == null && !unit.equals(COUNT);
  }

  /** The lower end of a range of this measure, as a column of a goals file. */
  public Measure lowEnd() {
    return new Measure(code + LOW, unit, scale, direction, quotient);
  }

  /** The upper end of a range of this measure, as a column of a goals file. */
  public Measure highEnd() {
    return new Measure(highEndOf(code), unit, scale, direction, quotient);
  }

  /** The code of the upper end of a measure's range. */
  public static String highEndOf(String code) {
    return code + HIGH;
  }

  public static boolean isLowEnd(String code) {
    return code.endsWith(LOW);
  }

  public static boolean isHighEnd(String code) {
    return code.endsWith(HIGH);
  }

  /** Whether a code is that of a range's end. */
  public static boolean isEnd(String code) {
    return isLowEnd(code) || isHighEnd(code);
  }

  /** The measure's own code: {@code revenue} of {@code revenue.low}. */
  public static String ownCode(String code) {
    return isEnd(code) ? code.substring(0, code.lastIndexOf('.')) : code;
  }

  /** Smallest units in one whole unit. */
  public Ratio unitsPerOne() {
    return Ratio.powerOfTen(scale);
  }

  /**
   * The text of an amount: at least the measure's decimals, more where a derived goal needs them; a
   * rate as a plain ratio.
   *
   * @param smallestUnits such as 95892/10 cents
   * @return such as {@code "95.892"}
   */
  public String text(Ratio smallestUnits) {
    Ratio whole = smallestUnits.dividedBy(unitsPerOne());
    return isRate() ? whole.toText(0, RATE_PLACES) : whole.toText(scale);
  }

  public String text(long smallestUnits) {
    return text(Ratio.of(smallestUnits));
  }
}
