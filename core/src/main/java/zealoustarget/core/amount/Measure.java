package zealoustarget.core.amount;

/**
 * What is counted. Amounts of it are whole numbers of its smallest unit (cents, pieces).
 *
 * @param code the name in files and addresses: a letter, then letters, digits, {@code _} or {@code
 *     -}
 * @param unit a currency code such as {@code EUR}, or {@code count}
 * @param scale decimals of one unit, 0 to 4
 * @param direction which side of a goal is favourable
 */
public record Measure(String code, String unit, int scale, Direction direction) {
  public static final String COUNT = "count";

  /** Largest absolute amount of one posted line, in smallest units. */
  public static final long LARGEST_AMOUNT = 1_000_000_000_000_000L;

  /** Checks the code's letters, the unit and the scale; the message names the part. */
  public Measure {
    if (!code.matches("[A-Za-z][A-Za-z0-9_-]{0,39}")) {
      throw new IllegalArgumentException(
          "code must be a letter, then up to 39 letters, digits, _ or -, was \"" + code + "\"");
    }
    if (!unit.equals(COUNT) && !unit.matches("[A-Z]{3}")) {
      throw new IllegalArgumentException(
          "unit must be \"count\" or three capitals such as EUR, was \"" + unit + "\"");
    }
    if (scale < 0 || scale > 4) {
      throw new IllegalArgumentException("scale must be 0 to 4, was " + scale);
    }
  }

  public boolean isCurrency() {
    return !unit.equals(COUNT);
  }

  /**
   * The text of an amount: at least the measure's decimals, more where a derived goal needs them.
   *
   * @param smallestUnits such as 95892/10 cents
   * @return such as {@code "95.892"}
   */
  public String text(Ratio smallestUnits) {
    return smallestUnits.dividedBy(Ratio.powerOfTen(scale)).toText(scale);
  }

  public String text(long smallestUnits) {
    return text(Ratio.of(smallestUnits));
  }
}
