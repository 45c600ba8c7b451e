package zealoustarget.core.reading;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import zealoustarget.core.amount.Direction;
import zealoustarget.core.amount.Ratio;

class CompanyShareTest {
  private static CompanyShare of(long goal, long actual) {
    return CompanyShare.of(
        new Reading(
            Direction.HIGHER, Ratio.of(actual), new Goal.Single(Ratio.of(goal)), 1, null, null));
  }

  @Test
  void shares_areOfTheCompanysGoalNotOfItsActual() {
    CompanyShare share = of(300_000, 120_000);
    assertThat(share.percent(Ratio.of(60_000))).isEqualTo("20.0");
    assertThat(share.percent(Ratio.of(120_000))).isEqualTo("40.0");
    assertThat(share.percent(Ratio.of(-150))).isEqualTo("-0.1"); // −0.05 % away from 0
    assertThat(share.remaining()).isEqualTo(Ratio.of(180_000));
  }

  @Test
  void whatIsSoldBeyond_leavesNothing() {
    assertThat(of(100, 140).remaining()).isEqualTo(Ratio.ZERO);
    assertThat(of(100, 140).percent(Ratio.of(140))).isEqualTo("140.0");
  }

  @Test
  void aGoalOfZeroOrNone_hasNoShares() {
    assertThat(of(0, 10)).isNull();
    assertThat(
            CompanyShare.of(
                new Reading(Direction.HIGHER, Ratio.of(10), Goal.MISSING, 0, null, null)))
        .isNull();
  }
}
