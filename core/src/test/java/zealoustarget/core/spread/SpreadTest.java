package zealoustarget.core.spread;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import java.math.BigInteger;
import java.util.List;
import java.util.Random;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import zealoustarget.core.testing.Cases;

class SpreadTest {
  static Stream<JsonNode> worked() {
    return Cases.read("small-tables").at("/core/spread").valueStream();
  }

  @ParameterizedTest
  @MethodSource("worked")
  void byWeights_asWorked(JsonNode worked) {
    List<Long> weights = worked.get("weights").valueStream().map(JsonNode::asLong).toList();
    if (!worked.has("parts")) {
      assertThatIllegalArgumentException().isThrownBy(() -> Spread.byWeights(100, weights));
      return;
    }
    assertThat(Spread.byWeights(cents(worked.get("whole")), weights))
        .as(worked.get("what").asString())
        .isEqualTo(worked.get("parts").valueStream().map(SpreadTest::cents).toList());
  }

  @Test
  void byWeights_negativeWhole_isTheAbsoluteOneWithTheSignPutBack() {
    assertThat(Spread.evenly(-10_000, 3)).containsExactly(-3_334L, -3_333L, -3_333L);
  }

  @Test
  void byWeights_refusals_sayWhat() {
    assertThatIllegalArgumentException()
        .isThrownBy(() -> Spread.byWeights(1, List.of(1L, -1L)))
        .withMessage("weights must not be negative, was -1");
    assertThatIllegalArgumentException()
        .isThrownBy(() -> Spread.byWeights(1, List.of(0L, 0L)))
        .withMessage("weights must not all be 0");
  }

  @ParameterizedTest
  @ValueSource(longs = {11, 12, 13})
  void parts_addToExactlyTheWhole_andLieWithinOneUnit(long seed) {
    Random random = new Random(seed);
    for (int i = 0; i < 500; i++) {
      long whole = random.nextLong() / 1000;
      List<Long> weights = random.longs(1 + random.nextInt(30), 0, 50).boxed().toList();
      long sum = weights.stream().mapToLong(Long::longValue).sum();
      if (sum > 0) {
        List<Long> parts = Spread.byWeights(whole, weights);
        assertThat(parts.stream().mapToLong(Long::longValue).sum()).isEqualTo(whole);
        for (int p = 0; p < parts.size(); p++) {
          double fair = (double) whole / sum * weights.get(p);
          assertThat((double) parts.get(p)).isBetween(fair - 3000, fair + 3000);
          assertThat(weights.get(p) > 0 || parts.get(p) == 0).isTrue();
        }
      }
    }
  }

  @ParameterizedTest
  @ValueSource(longs = {21, 22, 23})
  void largeWeights_giveTheSameParts_asSmallOnesInTheSameProportion(long seed) {
    Random random = new Random(seed);
    for (int i = 0; i < 300; i++) {
      long whole = random.nextLong(-1_000_000, 1_000_000);
      long step = random.nextLong(1, 2000);
      List<BigInteger> small =
          random
              .longs(1 + random.nextInt(40), 0, 9)
              .mapToObj(BigInteger::valueOf)
              .collect(Collectors.toList());
      small.add(BigInteger.ONE);
      List<BigInteger> large = small.stream().map(weight -> weight.shiftLeft(70)).toList();
      assertThat(Spread.inSteps(whole, step, small)).isEqualTo(Spread.inSteps(whole, step, large));
    }
  }

  private static long cents(JsonNode amount) {
    return Cases.cents(amount).over().longValueExact();
  }
}
