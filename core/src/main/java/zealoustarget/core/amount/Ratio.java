package zealoustarget.core.amount;

import java.math.BigDecimal;
import java.math.BigInteger;
import java.math.RoundingMode;
import org.jspecify.annotations.Nullable;

/**
 * An exact quotient of two whole numbers: an attainment, a derived goal, an amount in smallest
 * units.
 *
 * <p>Never rounded inside: 9 999/10 000 is less than 1, although it shows as 100.0 %. Held in
 * lowest terms with the sign above, so equal ratios are {@code equals}.
 *
 * @param over numerator, carries the sign
 * @param under denominator, above 0
 */
public record Ratio(BigInteger over, BigInteger under) implements Comparable<Ratio> {
  public static final Ratio ZERO = of(0);
  public static final Ratio ONE = of(1);

  /** Most places in which a ratio that ends as a decimal is still written out exactly. */
  private static final int EXACT_PLACES = 18;

  /** Brings the quotient to lowest terms; {@code under} must not be 0. */
  public Ratio {
    if (under.signum() == 0) {
      throw new IllegalArgumentException("under must not be 0, over was " + over);
    }
    if (under.signum() < 0) {
      over = over.negate();
      under = under.negate();
    }
    if (!under.equals(BigInteger.ONE)) {
      BigInteger common = over.gcd(under);
      if (!common.equals(BigInteger.ONE)) {
        over = over.divide(common);
        under = under.divide(common);
      }
    }
  }

  public static Ratio of(long whole) {
    return new Ratio(BigInteger.valueOf(whole), BigInteger.ONE);
  }

  public static Ratio of(long over, long under) {
    return new Ratio(BigInteger.valueOf(over), BigInteger.valueOf(under));
  }

  /**
   * The ratio that a plain decimal such as {@code "-1.25"} says, exactly.
   *
   * @throws IllegalArgumentException if the text is no decimal or has more than 40 characters
   */
  public static Ratio parse(String decimal) {
    if (decimal.length() > 40 || !decimal.matches("[+-]?\\d+(\\.\\d+)?")) {
      throw new IllegalArgumentException("not a decimal number: \"" + decimal + "\"");
    }
    BigDecimal exact = new BigDecimal(decimal);
    return new Ratio(exact.unscaledValue(), BigInteger.TEN.pow(exact.scale()));
  }

  /** 10 to the power of {@code places}, the smallest units in one whole unit. */
  public static Ratio powerOfTen(int places) {
    return new Ratio(BigInteger.TEN.pow(places), BigInteger.ONE);
  }

  /** The exact sum. */
  public Ratio plus(Ratio other) {
    if (under.equals(other.under)) {
      return new Ratio(over.add(other.over), under);
    }
    return new Ratio(
        over.multiply(other.under).add(other.over.multiply(under)), under.multiply(other.under));
  }

  public Ratio minus(Ratio other) {
    return plus(other.negated());
  }

  public Ratio times(Ratio other) {
    return new Ratio(over.multiply(other.over), under.multiply(other.under));
  }

  /** The exact quotient; {@code other} must not be 0. */
  public Ratio dividedBy(Ratio other) {
    return new Ratio(over.multiply(other.under), under.multiply(other.over));
  }

  public Ratio negated() {
    return new Ratio(over.negate(), under);
  }

  public Ratio abs() {
    return over.signum() < 0 ? negated() : this;
  }

  public Ratio max(Ratio other) {
    return compareTo(other) >= 0 ? this : other;
  }

  public Ratio min(Ratio other) {
    return compareTo(other) <= 0 ? this : other;
  }

  public int signum() {
    return over.signum();
  }

  /** The nearest decimal with exactly {@code places} places; HALF_UP goes away from zero. */
  public BigDecimal rounded(int places, RoundingMode mode) {
    return new BigDecimal(over).divide(new BigDecimal(under), places, mode);
  }

  /** The exact decimal in as few places as it needs, or null where it needs more than 18. */
  public @Nullable BigDecimal exactDecimal() {
    BigInteger rest = under;
    int twos = rest.getLowestSetBit();
    rest = rest.shiftRight(twos);
    int fives = 0;
    BigInteger five = BigInteger.valueOf(5);
    while (fives <= EXACT_PLACES && rest.mod(five).signum() == 0) {
      rest = rest.divide(five);
      fives++;
    }
    int places = Math.max(twos, fives);
    if (!rest.equals(BigInteger.ONE) || places > EXACT_PLACES) {
      return null;
    }
    return new BigDecimal(over.multiply(BigInteger.TEN.pow(places)).divide(under), places);
  }

  /**
   * The text that travels: the exact decimal where there is one, otherwise the nearest with 6
   * places.
   *
   * <p>1/4 is {@code "0.25"}, 31/27 is {@code "1.148148"}.
   */
  public String toText() {
    return toText(0);
  }

  /** As {@link #toText()}, with at least {@code leastPlaces} places: 12/10 in 2 is "1.20". */
  public String toText(int leastPlaces) {
    BigDecimal exact = exactDecimal();
    if (exact == null) {
      exact = rounded(6, RoundingMode.HALF_UP);
    }
    return (exact.scale() < leastPlaces ? exact.setScale(leastPlaces) : exact).toPlainString();
  }

  @Override
  public int compareTo(Ratio other) {
    if (under.equals(other.under)) {
      return over.compareTo(other.over);
    }
    return over.multiply(other.under).compareTo(other.over.multiply(under));
  }

  @Override
  public String toString() {
    return under.equals(BigInteger.ONE) ? over.toString() : over + "/" + under;
  }
}
