package zealoustarget.core.amount;

import java.math.BigDecimal;
import java.math.BigInteger;
import java.math.RoundingMode;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * An exact quotient of two whole numbers: an attainment, a derived goal, an amount in smallest
 * units.
 *
 * <p>Never rounded inside: 9 999/10 000 is less than 1, although it shows as 100.0 %. Equal ratios
 * are {@code equals}; the sign is above. Both parts are longs as long as they fit, which nearly all
 * do, and are brought to lowest terms only where that matters; beyond they are as large as they
 * must be.
 */
public final class Ratio implements Comparable<Ratio> {
  private static final int KNOWN_POWERS = 19;
  private static final long[] POWERS = new long[KNOWN_POWERS];

  static {
    POWERS[0] = 1;
    for (int i = 1; i < KNOWN_POWERS; i++) {
      POWERS[i] = POWERS[i - 1] * 10;
    }
  }

  public static final Ratio ZERO = of(0);
  public static final Ratio ONE = of(1);

  /** Most places in which a ratio that ends as a decimal is still written out exactly. */
  private static final int EXACT_PLACES = 18;

  private static final int NEAREST_PLACES = 6;
  private static final int SUM_PLACES = 20;
  private static final int LONGEST_DECIMAL = 60;

  private final long over;
  private final long under;
  private final @Nullable Large large;

  /** The parts where one of them does not fit a long. */
  private record Large(BigInteger over, BigInteger under) {}

  private Ratio(long over, long under) {
    this.over = over;
    this.under = under;
    this.large = null;
  }

  private Ratio(Large large) {
    this.over = 0;
    this.under = 0;
    this.large = large;
  }

  public static Ratio of(long whole) {
    return whole == Long.MIN_VALUE
        ? new Ratio(new Large(BigInteger.valueOf(whole), BigInteger.ONE))
        : new Ratio(whole, 1);
  }

  /** The quotient; {@code under} must not be 0. */
  public static Ratio of(long over, long under) {
    if (over == Long.MIN_VALUE || under == Long.MIN_VALUE || under == 0) {
      return of(BigInteger.valueOf(over), BigInteger.valueOf(under));
    }
    return under < 0 ? new Ratio(-over, -under) : new Ratio(over, under);
  }

  /** The same in lowest terms. */
  private Ratio reduced() {
    if (large != null || under == 1) {
      return this;
    }
    long common = gcd(Math.abs(over), under);
    return common == 1 ? this : new Ratio(over / common, under / common);
  }

  /** The quotient in lowest terms; {@code under} must not be 0. */
  public static Ratio of(BigInteger over, BigInteger under) {
    if (under.signum() == 0) {
      throw new IllegalArgumentException("under must not be 0, over was " + over);
    }
    BigInteger common = over.gcd(under);
    BigInteger divisor = under.signum() < 0 ? common.negate() : common;
    BigInteger top = over.divide(divisor);
    BigInteger bottom = under.divide(divisor);
    return isLong(top) && isLong(bottom)
        ? new Ratio(top.longValue(), bottom.longValue())
        : new Ratio(new Large(top, bottom));
  }

  /** Whether a number is a long, and not the one that has no opposite. */
  private static boolean isLong(BigInteger number) {
    return number.bitLength() < Long.SIZE && number.longValue() != Long.MIN_VALUE;
  }

  /**
   * The ratio that a plain decimal such as {@code "-1.25"} says, exactly.
   *
   * @throws IllegalArgumentException if the text is no decimal or has more than 60 characters
   */
  public static Ratio parse(String decimal) {
    if (decimal.length() > LONGEST_DECIMAL || !decimal.matches("[+-]?\\d+(\\.\\d+)?")) {
      throw new IllegalArgumentException("not a decimal number: \"" + decimal + "\"");
    }
    return of(new BigDecimal(decimal));
  }

  /** The ratio that a decimal says, exactly. */
  public static Ratio of(BigDecimal decimal) {
    int places = decimal.scale();
    if (places >= 0 && places < KNOWN_POWERS && decimal.precision() < KNOWN_POWERS) {
      return of(decimal.unscaledValue().longValueExact(), POWERS[places]);
    }
    return places < 0
        ? of(decimal.toBigIntegerExact(), BigInteger.ONE)
        : of(decimal.unscaledValue(), BigInteger.TEN.pow(places));
  }

  /** 10 to the power of {@code places}, the smallest units in one whole unit. */
  public static Ratio powerOfTen(int places) {
    return places < KNOWN_POWERS
        ? new Ratio(POWERS[places], 1)
        : of(BigInteger.TEN.pow(places), BigInteger.ONE);
  }

  /** The numerator in lowest terms; carries the sign. */
  public BigInteger over() {
    return large == null ? BigInteger.valueOf(reduced().over) : large.over();
  }

  /** The denominator in lowest terms, above 0. */
  public BigInteger under() {
    return large == null ? BigInteger.valueOf(reduced().under) : large.under();
  }

  /** The exact sum. */
  public Ratio plus(Ratio other) {
    if (large == null && other.large == null) {
      if (under == other.under) {
        long sum = over + other.over;
        boolean isPast = ((over ^ sum) & (other.over ^ sum)) < 0;
        if (!isPast) {
          return of(sum, under);
        }
      } else if (fits(over, other.under) && fits(other.over, under) && fits(under, other.under)) {
        long one = over * other.under;
        long two = other.over * under;
        long sum = one + two;
        if (((one ^ sum) & (two ^ sum)) >= 0) {
          return of(sum, under * other.under);
        }
      }
    }
    return of(
        over().multiply(other.under()).add(other.over().multiply(under())),
        under().multiply(other.under()));
  }

  public Ratio minus(Ratio other) {
    return plus(other.negated());
  }

  /** The exact product. */
  public Ratio times(Ratio other) {
    if (large == null
        && other.large == null
        && fits(over, other.over)
        && fits(under, other.under)) {
      return of(over * other.over, under * other.under);
    }
    return of(over().multiply(other.over()), under().multiply(other.under()));
  }

  /** The exact quotient; {@code other} must not be 0. */
  public Ratio dividedBy(Ratio other) {
    if (large == null
        && other.large == null
        && fits(over, other.under)
        && fits(under, other.over)) {
      return of(over * other.under, under * other.over);
    }
    return of(over().multiply(other.under()), under().multiply(other.over()));
  }

  public Ratio negated() {
    return large == null ? new Ratio(-over, under) : of(large.over().negate(), large.under());
  }

  public Ratio abs() {
    return signum() < 0 ? negated() : this;
  }

  public Ratio max(Ratio other) {
    return compareTo(other) >= 0 ? this : other;
  }

  public Ratio min(Ratio other) {
    return compareTo(other) <= 0 ? this : other;
  }

  public int signum() {
    return large == null ? Long.signum(over) : large.over().signum();
  }

  /**
   * The ratio to be added to thousands of others: itself where it ends as a decimal, else the
   * nearest with 20 places. Exact sums of quotients with a denominator each grow without bound.
   */
  public Ratio summable() {
    if (large == null && under == 1) {
      return this;
    }
    return exactDecimal() == null ? of(rounded(SUM_PLACES, RoundingMode.HALF_UP)) : this;
  }

  private BigDecimal summand() {
    BigDecimal exact = exactDecimal();
    return exact == null ? rounded(SUM_PLACES, RoundingMode.HALF_UP) : exact;
  }

  /** The sum of thousands of ratios, each as {@link #summable}. */
  public static Ratio sum(Stream<Ratio> all) {
    return of(all.map(Ratio::summand).reduce(BigDecimal.ZERO, BigDecimal::add));
  }

  /** The nearest decimal with exactly {@code places} places; HALF_UP goes away from zero. */
  public BigDecimal rounded(int places, RoundingMode mode) {
    if (large == null
        && mode == RoundingMode.HALF_UP
        && places < KNOWN_POWERS
        && fits(over, POWERS[places])) {
      return BigDecimal.valueOf(halfUp(over * POWERS[places], under), places);
    }
    return large == null
        ? BigDecimal.valueOf(over).divide(BigDecimal.valueOf(under), places, mode)
        : new BigDecimal(large.over()).divide(new BigDecimal(large.under()), places, mode);
  }

  /** The exact decimal in as few places as it needs, or null where it needs more than 18. */
  public @Nullable BigDecimal exactDecimal() {
    if (large != null) {
      return exactDecimal(large.over(), large.under());
    }
    int twos = Long.numberOfTrailingZeros(under);
    long rest = under >> twos;
    int fives = 0;
    while (rest % 5 == 0) {
      rest /= 5;
      fives++;
    }
    if (over % rest != 0) {
      return null;
    }
    long whole = over / rest;
    if (whole == 0) {
      return BigDecimal.ZERO;
    }
    int more = Math.min(twos, Long.numberOfTrailingZeros(whole));
    whole >>= more;
    twos -= more;
    while (fives > 0 && whole % 5 == 0) {
      whole /= 5;
      fives--;
    }
    int places = Math.max(twos, fives);
    if (places > EXACT_PLACES) {
      return null;
    }
    // 10^places ÷ (2^twos × 5^fives): one of the two is there as often as it can be
    long factor = POWERS[places] / (POWERS[fives] >> fives << twos);
    return fits(whole, factor)
        ? BigDecimal.valueOf(whole * factor, places)
        : new BigDecimal(BigInteger.valueOf(whole).multiply(BigInteger.valueOf(factor)), places);
  }

  private static @Nullable BigDecimal exactDecimal(BigInteger over, BigInteger under) {
    BigInteger[] whole = over.multiply(BigInteger.TEN.pow(EXACT_PLACES)).divideAndRemainder(under);
    if (whole[1].signum() != 0) {
      return null;
    }
    BigDecimal exact = new BigDecimal(whole[0], EXACT_PLACES).stripTrailingZeros();
    return exact.scale() < 0 ? exact.setScale(0) : exact;
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
    return toText(leastPlaces, NEAREST_PLACES);
  }

  /** As {@link #toText(int)}, with {@code nearestPlaces} places where it does not end. */
  public String toText(int leastPlaces, int nearestPlaces) {
    BigDecimal exact = exactDecimal();
    if (exact == null) {
      exact = rounded(nearestPlaces, RoundingMode.HALF_UP);
    }
    return (exact.scale() < leastPlaces ? exact.setScale(leastPlaces) : exact).toPlainString();
  }

  @Override
  public int compareTo(Ratio other) {
    if (large != null || other.large != null) {
      return over().multiply(other.under()).compareTo(other.over().multiply(under()));
    }
    if (under == other.under) {
      return Long.compare(over, other.over);
    }
    int order =
        Long.compare(Math.multiplyHigh(over, other.under), Math.multiplyHigh(other.over, under));
    return order != 0 ? order : Long.compareUnsigned(over * other.under, other.over * under);
  }

  @Override
  public boolean equals(@Nullable Object other) {
    return other instanceof Ratio ratio && compareTo(ratio) == 0;
  }

  @Override
  public int hashCode() {
    if (large != null) {
      return large.hashCode();
    }
    Ratio lowest = reduced();
    return Long.hashCode(lowest.over * 31 + lowest.under);
  }

  @Override
  public String toString() {
    BigInteger below = under();
    return large == null && below.equals(BigInteger.ONE) ? over().toString() : over() + "/" + below;
  }

  /** The nearest whole number to a quotient, halves away from zero. */
  private static long halfUp(long over, long under) {
    long whole = over / under;
    long rest = Math.abs(over % under);
    return rest >= under - rest ? whole + Long.signum(over) : whole;
  }

  /** Whether a product of two longs is a long, and not the one that has no opposite. */
  private static boolean fits(long one, long other) {
    long product = one * other;
    return Math.multiplyHigh(one, other) == product >> 63 && product != Long.MIN_VALUE;
  }

  private static long gcd(long one, long other) {
    long a = one;
    long b = other;
    while (b != 0) {
      long rest = a % b;
      a = b;
      b = rest;
    }
    return a;
  }
}
