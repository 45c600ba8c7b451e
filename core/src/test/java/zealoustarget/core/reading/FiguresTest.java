package zealoustarget.core.reading;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import zealoustarget.core.amount.Direction;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.amount.Writing;
import zealoustarget.core.testing.Company;

class FiguresTest {
  private static final Figures FIGURES = new Figures(Writing.NONE);

  @ParameterizedTest
  @CsvSource({
    "828, 1000, 83, half up",
    "825, 1000, 83, exactly half",
    "824, 1000, 82, down",
    "1, 1, 100, all of it",
    "9996, 10000, 99.96, not all of it is never 100",
    "1, 1000, 0.1, something is never 0",
    "0, 5, 0, nothing",
    "9999999, 10000000, 99.9999, cut where four decimals are not enough"
  })
  void share_neverContradicts(long part, long whole, String shown, String why) {
    assertThat(FIGURES.share(Ratio.of(part, whole))).as(why).isEqualTo(shown);
  }

  @Test
  void points_areOfAPercent() {
    Measure rate =
        Measure.rate(
            "rate",
            new Measure("returns", "EUR", 2, Direction.LOWER),
            Company.REVENUE,
            Direction.LOWER);
    Ratio one = rate.unitsPerOne();
    assertThat(FIGURES.points(one.times(Ratio.of(3, 1000)), rate)).isEqualTo("0.3 points");
    assertThat(FIGURES.points(one.times(Ratio.of(1, 100)), rate)).isEqualTo("1.0 point");
    assertThat(FIGURES.points(one.times(Ratio.of(1, 100_000)), rate)).isEqualTo("0.001 points");
    assertThat(FIGURES.points(one.times(Ratio.of(1, 1_000_000_000)), rate))
        .isEqualTo("under 0.0001 points");
  }
}
