package zealoustarget.core.ladder;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import java.util.List;
import java.util.Random;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import zealoustarget.core.amount.Direction;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.testing.Cases;

class LadderTest {
  static Stream<JsonNode> shown() {
    return Cases.read("small-tables").at("/core/percentShown").valueStream();
  }

  @ParameterizedTest
  @MethodSource("shown")
  void percentShown_neverContradictsTheStatus(JsonNode worked) {
    boolean isHigher = worked.get("ladder").asString().endsWith("HIGHER");
    Ladder ladder = Ladder.defaultOf(isHigher ? Direction.HIGHER : Direction.LOWER);
    Ratio attainment = Cases.ratio(worked.get("attainment"));
    assertThat(ladder.rungOf(attainment).name()).isEqualTo(worked.get("status").asString());
    assertThat(Shown.percent(attainment, ladder)).isEqualTo(worked.get("shown").asString());
  }

  @Test
  void percentShown_fourDecimalsNotEnough_cutTowardTheExactValue() {
    Ladder higher = Ladder.defaultOf(Direction.HIGHER);
    assertThat(Shown.percent(Ratio.of(9_999_999, 10_000_000), higher)).isEqualTo("99.9999");
    Ladder lower = Ladder.defaultOf(Direction.LOWER);
    assertThat(Shown.percent(Ratio.of(100_000_001, 100_000_000), lower)).isEqualTo("100.0001");
  }

  @ParameterizedTest
  @CsvSource({
    "HIGHER, 89/100, behind",
    "HIGHER, 9/10, near",
    "HIGHER, 1/1, reached",
    "HIGHER, 12/10, well past",
    "HIGHER, -5/1, behind",
    "LOWER, 0/1, within",
    "LOWER, 3/4, close",
    "LOWER, 9/10, tight",
    "LOWER, 1/1, tight",
    "LOWER, 1000001/1000000, over"
  })
  void defaults_boundsCountAsSet(Direction direction, String value, String status) {
    String[] parts = value.split("/", -1);
    Ratio exact = Ratio.of(Long.parseLong(parts[0]), Long.parseLong(parts[1]));
    assertThat(Ladder.defaultOf(direction).rungOf(exact).name()).isEqualTo(status);
  }

  @Test
  void threeWay_levelIsExactlyEqual() {
    Ladder ladder = Ladder.threeWay();
    assertThat(ladder.rungOf(Ratio.of(-1, 1000)).name()).isEqualTo("below");
    assertThat(ladder.rungOf(Ratio.ZERO).name()).isEqualTo("level");
    assertThat(ladder.rungOf(Ratio.of(1, 1000)).name()).isEqualTo("above");
  }

  @Test
  void brokenLadders_cannotBeHeld() {
    refused("rungs must not be empty");
    refused("threshold 1 must have no lower bound", Rung.from("low", Tone.BAD, Ratio.ZERO));
    refused(
        "threshold 2 \"high\" must start above",
        Rung.first("low", Tone.BAD),
        Rung.first("high", Tone.GOOD));
    refused(
        "threshold 3 \"high\" must start above",
        Rung.first("low", Tone.BAD),
        Rung.from("mid", Tone.NEAR, Ratio.ONE),
        Rung.from("high", Tone.GOOD, Ratio.ONE));
    refused(
        "threshold 2 needs a name of its own",
        Rung.first("low", Tone.BAD),
        Rung.from("LOW", Tone.NEAR, Ratio.ONE));
  }

  @ParameterizedTest
  @ValueSource(longs = {21, 22, 23})
  void everyNumber_landsOnTheOneRungWhoseBoundsHoldIt(long seed) {
    Random random = new Random(seed);
    for (Ladder ladder :
        List.of(
            Ladder.defaultOf(Direction.HIGHER),
            Ladder.defaultOf(Direction.LOWER),
            Ladder.threeWay())) {
      for (int i = 0; i < 500; i++) {
        Ratio value = Ratio.of(random.nextInt(4001) - 2000, random.nextInt(1000) + 1);
        Rung rung = ladder.rungOf(value);
        int at = ladder.rungs().indexOf(rung);
        assertThat(rung.isReachedBy(value)).isTrue();
        assertThat(ladder.rungs().subList(at + 1, ladder.rungs().size()))
            .noneMatch(higher -> higher.isReachedBy(value));
      }
    }
  }

  @Test
  void scale_isFoundByItsWord_howeverItIsWritten() {
    assertThat(Scale.findByWord("Percent to Goal")).contains(Scale.PERCENT_TO_GOAL);
    assertThat(Scale.findByWord("variance %")).contains(Scale.VARIANCE_PERCENT);
    assertThat(Scale.findByWord("share_of_highest")).contains(Scale.SHARE_OF_HIGHEST);
    assertThat(Scale.findByWord("mood")).isEmpty();
  }

  private static void refused(String message, Rung... rungs) {
    assertThatIllegalArgumentException()
        .isThrownBy(() -> new Ladder(Scale.PERCENT_TO_GOAL, List.of(rungs)))
        .withMessageStartingWith(message);
  }
}
