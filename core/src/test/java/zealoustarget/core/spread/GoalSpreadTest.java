package zealoustarget.core.spread;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;

import java.math.BigInteger;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import zealoustarget.core.Refusal;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.testing.Cases;

class GoalSpreadTest {
  private static final GoalSpread CENTS = new GoalSpread(1, 2);

  private static GoalSpread.Part part(int month, long weight, @Nullable Long locked) {
    return new GoalSpread.Part(null, month, BigInteger.valueOf(weight), locked);
  }

  @Test
  void unitsLeftOver_goToTheEarlierMonth_thenToTheKeyThatSortsFirst() {
    List<GoalSpread.Part> parts =
        List.of(
            new GoalSpread.Part("B", 7, BigInteger.ONE, null),
            new GoalSpread.Part("A", 8, BigInteger.ONE, null),
            new GoalSpread.Part("A", 7, BigInteger.ONE, null));
    assertThat(CENTS.spread(100, parts)).containsExactly(33L, 33L, 34L);
    assertThat(CENTS.spread(-101, parts)).containsExactly(-34L, -33L, -34L);
  }

  @Test
  void keysSortByCodePoint_notByTheirHalves() {
    List<GoalSpread.Part> parts =
        List.of(
            new GoalSpread.Part("\uD83D\uDE00", null, BigInteger.ONE, null),
            new GoalSpread.Part("\uFF5E", null, BigInteger.ONE, null));
    assertThat(CENTS.spread(1, parts)).containsExactly(0L, 1L);
  }

  @Test
  void whatNoStepHolds_goesToTheLargestWeight() {
    assertThat(
            new GoalSpread(500, 2)
                .spread(10_123, List.of(part(1, 2, null), part(2, 3, null), part(3, 3, null))))
        .containsExactly(2_500L, 4_123L, 3_500L);
  }

  @Test
  void lockedParts_keepTheirAmounts_andAWholeOfNothingTakesEitherSign() {
    assertThat(CENTS.spread(0, List.of(part(1, 1, -400L), part(2, 1, null))))
        .containsExactly(-400L, 400L);
    assertThat(CENTS.spread(0, List.of(part(1, 1, 400L), part(2, 1, null))))
        .containsExactly(400L, -400L);
    assertThat(CENTS.spread(400, List.of(part(1, 0, 400L), part(2, 0, null))))
        .containsExactly(400L, 0L);
  }

  @Test
  void refusals_sayBothAmounts() {
    assertThatExceptionOfType(Refusal.class)
        .isThrownBy(() -> CENTS.spread(1_000, List.of(part(1, 1, 1_001L), part(2, 1, null))))
        .withMessageContaining("10.01")
        .withMessageContaining("10.00")
        .returns("locked-exceed-whole", Refusal::code);
    assertThatExceptionOfType(Refusal.class)
        .isThrownBy(() -> CENTS.spread(1_000, List.of(part(1, 1, 999L))))
        .withMessageContaining("9.99")
        .returns("nothing-to-spread-over", Refusal::code);
    assertThatExceptionOfType(Refusal.class)
        .isThrownBy(() -> CENTS.spread(0, List.of(part(1, 1, 1L))))
        .returns("nothing-to-spread-over", Refusal::code);
    assertThatExceptionOfType(Refusal.class)
        .isThrownBy(() -> CENTS.spread(1, List.of(part(1, -1, null), part(2, 2, null))))
        .returns("weight-negative", Refusal::code);
    assertThatExceptionOfType(Refusal.class)
        .isThrownBy(() -> CENTS.spread(1, List.of(part(1, 0, null))))
        .returns("weights-all-zero", Refusal::code);
  }

  @ParameterizedTest
  @ValueSource(longs = {1, 2, 3})
  void parts_addToTheWhole_inSteps_whateverIsLocked_andInAnyOrder(long seed) {
    Random random = new Random(seed);
    for (int round = 0; round < 400; round++) {
      long step = 1 + random.nextInt(700);
      long whole = random.nextLong() / 10_000;
      List<GoalSpread.Part> parts = new ArrayList<>();
      for (int month = 0; month < 2 + random.nextInt(20); month++) {
        Long locked = random.nextInt(4) == 0 ? (long) random.nextInt(1_000) : null;
        parts.add(part(month, 1 + random.nextInt(50), locked));
      }
      parts.add(part(99, 1, null));
      GoalSpread spread = new GoalSpread(step, 0);
      List<Long> amounts = spread.spread(whole, parts);
      assertThat(amounts.stream().mapToLong(Long::longValue).sum()).isEqualTo(whole);
      int unevenParts = 0;
      for (int at = 0; at < parts.size(); at++) {
        if (parts.get(at).locked() == null) {
          unevenParts += amounts.get(at) % step == 0 ? 0 : 1;
        } else {
          assertThat(amounts.get(at)).isEqualTo(parts.get(at).locked());
        }
      }
      assertThat(unevenParts).isLessThanOrEqualTo(1);
      List<Integer> order = new ArrayList<>();
      for (int at = 0; at < parts.size(); at++) {
        order.add(at);
      }
      Collections.shuffle(order, random);
      assertThat(spread.spread(whole, order.stream().map(parts::get).toList()))
          .isEqualTo(order.stream().map(amounts::get).toList());
    }
  }

  @Test
  void times_roundsHalfUpToTheStep() {
    assertThat(CENTS.times(90_005, Ratio.parse("1.05"))).isEqualTo(94_505);
    assertThat(new GoalSpread(1_000, 2).times(90_005, Ratio.parse("1.05"))).isEqualTo(95_000);
    assertThat(new GoalSpread(10, 2).times(50, Ratio.parse("0.5"))).isEqualTo(30);
  }

  static Stream<JsonNode> stretches() {
    return Cases.read("spread").at("/core/stretch").valueStream();
  }

  @ParameterizedTest
  @MethodSource("stretches")
  void stretch_asWorked(JsonNode worked) {
    Ratio stretch =
        GoalSpread.stretch(Cases.ratio(worked.get("goal")), Cases.ratio(worked.get("yearBefore")));
    assertThat(stretch).isEqualTo(Cases.ratio(worked.get("stretch")));
  }
}
