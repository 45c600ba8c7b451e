package zealoustarget.core.amount;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import java.math.BigDecimal;
import java.math.BigInteger;
import java.math.RoundingMode;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class RatioTest {
  @ParameterizedTest
  @CsvSource({
    "9545, 10000, 0.9545, ends as a decimal",
    "31, 27, 1.148148, does not end: nearest with six places",
    "-1, 47952, -0.000021, small and negative",
    "2, 3, 0.666667, rounded half up",
    "-2, 3, -0.666667, away from zero",
    "1, 1024, 0.0009765625, exact beyond six places",
    "7, 1, 7, whole",
    "3, -4, -0.75, the sign goes above"
  })
  void toText_exactOrNearest(long over, long under, String text, String why) {
    assertThat(Ratio.of(over, under).toText()).as(why).isEqualTo(text);
  }

  @Test
  void toText_leastPlaces_padsButNeverCuts() {
    assertThat(Ratio.of(12, 10).toText(2)).isEqualTo("1.20");
    assertThat(Ratio.of(95892, 1000).toText(2)).isEqualTo("95.892");
  }

  @Test
  void equalQuotients_areEqual() {
    assertThat(Ratio.of(2, 4)).isEqualTo(Ratio.of(-3, -6)).hasSameHashCodeAs(Ratio.of(1, 2));
  }

  @Test
  void compare_neverRounds() {
    assertThat(Ratio.of(999_999_999_999_999_999L, 1_000_000_000_000_000_000L))
        .isLessThan(Ratio.ONE);
  }

  @Test
  void exactDecimal_beyond18Places_isNone() {
    assertThat(Ratio.of(1, 1L << 20).exactDecimal()).isNull();
    assertThat(Ratio.of(1, 3).exactDecimal()).isNull();
  }

  @ParameterizedTest
  @ValueSource(strings = {"", "1,5", "1.", ".5", "1e3", "x", "--1", "1.2.3"})
  void parse_noDecimal_refusedWithTheText(String text) {
    assertThatIllegalArgumentException()
        .isThrownBy(() -> Ratio.parse(text))
        .withMessageContaining("\"" + text + "\"");
  }

  @Test
  void underZero_refused() {
    assertThatIllegalArgumentException().isThrownBy(() -> Ratio.of(1, 0));
  }

  @ParameterizedTest
  @ValueSource(longs = {1, 2, 3, 4, 5})
  void arithmetic_keepsItsLaws(long seed) {
    Random random = new Random(seed);
    for (int i = 0; i < 300; i++) {
      Ratio a = any(random);
      Ratio b = any(random);
      assertThat(a.plus(b).minus(b)).isEqualTo(a);
      assertThat(a.times(b)).isEqualTo(b.times(a));
      if (b.signum() != 0) {
        assertThat(a.times(b).dividedBy(b)).isEqualTo(a);
      }
      assertThat(a.compareTo(b)).isEqualTo(-b.compareTo(a));
      assertThat(a.max(b).plus(a.min(b))).isEqualTo(a.plus(b));
      assertThat(a.abs().signum()).isNotNegative();
      assertThat(a.rounded(3, RoundingMode.HALF_UP).scale()).isEqualTo(3);
    }
  }

  private static Ratio any(Random random) {
    return Ratio.of(random.nextInt(20_001) - 10_000, random.nextInt(999) + 1);
  }

  /** Small parts are longs and large ones are not: both must say the same. */
  @ParameterizedTest
  @ValueSource(longs = {11, 12, 13, 14})
  void arithmetic_isTheSameWithPartsOfAnySize(long seed) {
    Random random = new Random(seed);
    long[] edges = {0, 1, -1, 10, Long.MAX_VALUE, Long.MIN_VALUE + 1, Long.MIN_VALUE, 1L << 62};
    for (int i = 0; i < 400; i++) {
      BigInteger a = BigInteger.valueOf(edge(random, edges));
      BigInteger b = BigInteger.valueOf(edge(random, edges)).abs().max(BigInteger.ONE);
      BigInteger c = BigInteger.valueOf(edge(random, edges));
      BigInteger d = BigInteger.valueOf(edge(random, edges)).abs().max(BigInteger.ONE);
      Ratio one = Ratio.of(a, b);
      Ratio two = Ratio.of(c, d);
      assertThat(one.plus(two))
          .isEqualTo(Ratio.of(a.multiply(d).add(c.multiply(b)), b.multiply(d)));
      assertThat(one.times(two)).isEqualTo(Ratio.of(a.multiply(c), b.multiply(d)));
      assertThat(Integer.signum(one.compareTo(two)))
          .isEqualTo(a.multiply(d).compareTo(c.multiply(b)));
      if (c.signum() != 0) {
        assertThat(one.dividedBy(two)).isEqualTo(Ratio.of(a.multiply(d), b.multiply(c)));
      }
      assertThat(one.negated().over()).isEqualTo(one.over().negate());
      assertThat(one.plus(two).hashCode()).isEqualTo(two.plus(one).hashCode());
      for (int places : new int[] {0, 1, 6, 20}) {
        assertThat(one.rounded(places, RoundingMode.HALF_UP))
            .isEqualTo(
                new BigDecimal(one.over())
                    .divide(new BigDecimal(one.under()), places, RoundingMode.HALF_UP));
      }
      BigDecimal rounded = one.rounded(3, RoundingMode.FLOOR);
      assertThat(Ratio.of(rounded)).isEqualTo(Ratio.parse(rounded.toPlainString()));
      BigDecimal exact = one.exactDecimal();
      if (exact != null) {
        assertThat(exact.multiply(new BigDecimal(one.under())))
            .isEqualByComparingTo(new BigDecimal(one.over()));
      }
    }
  }

  @Test
  void beyondALong_staysExact() {
    Ratio large = Ratio.of(Long.MAX_VALUE).times(Ratio.of(Long.MAX_VALUE));
    assertThat(large.toText()).isEqualTo("85070591730234615847396907784232501249");
    assertThat(large.dividedBy(large)).isEqualTo(Ratio.ONE);
    assertThat(large.toString()).endsWith("/1");
    assertThat(Ratio.of(Long.MIN_VALUE).negated().over()).isEqualTo(BigInteger.ONE.shiftLeft(63));
    assertThat(Ratio.of(Long.MIN_VALUE, 2)).isEqualTo(Ratio.of(-(1L << 62)));
    assertThat(Ratio.powerOfTen(20).toText()).isEqualTo("100000000000000000000");
  }

  private static long edge(Random random, long[] edges) {
    return random.nextBoolean() ? edges[random.nextInt(edges.length)] : random.nextLong();
  }
}
