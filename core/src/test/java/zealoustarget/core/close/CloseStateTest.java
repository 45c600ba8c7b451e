package zealoustarget.core.close;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;

class CloseStateTest {
  @Test
  void waiver_coversWhatWasOpenThen_andNothingThatComesLater() {
    assertThat(CloseState.of(Set.of(), null)).isEqualTo(CloseState.DONE);
    assertThat(CloseState.of(Set.of(), Set.of("a"))).as("settled since").isEqualTo(CloseState.DONE);
    assertThat(CloseState.of(Set.of("a"), null)).isEqualTo(CloseState.OPEN);
    assertThat(CloseState.of(Set.of("a"), Set.of("a", "b"))).isEqualTo(CloseState.WAIVED);
    assertThat(CloseState.of(Set.of("a", "c"), Set.of("a", "b"))).isEqualTo(CloseState.OPEN);
  }

  @Test
  void state_isOpenExactlyWhenSomethingUnwaivedIsThere() {
    Random random = new Random(11);
    for (int round = 0; round < 2_000; round++) {
      Set<String> open = some(random);
      Set<String> waived = random.nextInt(4) == 0 ? null : some(random);
      Set<String> left = new TreeSet<>(open);
      if (waived != null) {
        left.removeAll(waived);
      }
      assertThat(CloseState.of(open, waived) == CloseState.OPEN).isEqualTo(!left.isEmpty());
    }
  }

  private static Set<String> some(Random random) {
    Set<String> some = new TreeSet<>();
    for (char key = 'a'; key < 'f'; key++) {
      if (random.nextBoolean()) {
        some.add(String.valueOf(key));
      }
    }
    return some;
  }
}
