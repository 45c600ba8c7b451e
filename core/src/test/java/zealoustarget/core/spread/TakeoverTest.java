package zealoustarget.core.spread;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.math.BigInteger;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import zealoustarget.core.Refusal;

class TakeoverTest {
  private static final Takeover IN_HUNDREDS = new Takeover(new GoalSpread(100_00, 2));

  private static Takeover.Other other(String key, long goal) {
    return new Takeover.Other(key, goal, BigInteger.valueOf(goal));
  }

  @Test
  void aLeaversGoal_isTakenOverInStepsByThoseWhoStay() {
    assertThat(IN_HUNDREDS.pass(100_000, List.of(other("A", 200_000), other("B", 100_000))))
        .containsExactly(270_000L, 130_000L);
  }

  @Test
  void whatANewcomerTakes_isGivenUpByTheOthers() {
    assertThat(IN_HUNDREDS.pass(-60_000, List.of(other("A", 200_000), other("B", 100_000))))
        .containsExactly(160_000L, 80_000L);
  }

  @Test
  void moreThanAGoalHolds_isNotTaken() {
    assertThatThrownBy(
            () -> IN_HUNDREDS.pass(-400_000, List.of(other("A", 200_000), other("B", 100_000))))
        .isInstanceOf(Refusal.class)
        .hasMessageContaining("from a goal of 2000.00");
  }

  @ParameterizedTest
  @ValueSource(longs = {1, 2, 3, 4, 5})
  void theSumOfAll_stays(long seed) {
    Random random = new Random(seed);
    int refusals = 0;
    for (int run = 0; run < 400; run++) {
      List<Takeover.Other> others = new ArrayList<>();
      int count = 1 + random.nextInt(12);
      for (int at = 0; at < count; at++) {
        long goal = random.nextLong(9_000_000);
        others.add(new Takeover.Other("K" + at, goal, BigInteger.valueOf(goal + 1)));
      }
      long amount = random.nextLong(-30_000_000, 9_000_000);
      long before = others.stream().mapToLong(Takeover.Other::goal).sum();
      try {
        List<Long> after =
            new Takeover(new GoalSpread(1 + random.nextInt(5_000), 2)).pass(amount, others);
        assertThat(after.stream().mapToLong(Long::longValue).sum()).isEqualTo(before + amount);
        assertThat(after).allMatch(goal -> goal >= 0);
      } catch (Refusal refused) {
        assertThat(refused.code()).isEqualTo("takes-too-much");
        assertThat(amount).isNegative();
        refusals++;
      }
    }
    assertThat(refusals).isBetween(20, 380);
  }
}
