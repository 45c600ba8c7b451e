package zealoustarget.core.ledger;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.YearMonth;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import zealoustarget.core.amount.Direction;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.commission.LedgerSales;
import zealoustarget.core.commission.TrialSales;
import zealoustarget.core.ladder.Ladder;
import zealoustarget.core.ledger.query.Basis;
import zealoustarget.core.ledger.query.StandingQuery;
import zealoustarget.core.member.Axis;
import zealoustarget.core.reading.Goal;
import zealoustarget.core.reading.Pace;
import zealoustarget.core.reading.Standing;
import zealoustarget.core.testing.Company;

/** What is read by other goals, other thresholds and a month at its end. */
class TrialTest {
  private static final Pace.Days DAY_8_OF_20 = new Pace.Days(8, 20);
  private static final Ratio THREE_PERCENT_MORE = Ratio.parse("1.03");

  private static Company company() {
    return new Company("revenue")
        .rep("A", "North", "M1", "2026-01")
        .rep("B", "North", "M1", "2026-01")
        .sold("2026-08", "A", "P1", 101_00)
        .sold("2026-09", "A", "P1", 30_00)
        .sold("2026-09", "A", "P2", 10_01)
        .sold("2026-09", "B", "P2", 7_00)
        .sold("2025-09", "A", "P1", 3_00)
        .sold("2025-09", "B", "P2", 1_00)
        .goal("quota", Axis.REP, "revenue", "2026-08", "A", 100_00)
        .goal("quota", Axis.REP, "revenue", "2026-09", "A", 100_00)
        .goal("quota", Axis.REP, "revenue", "2026-09", "B", 10_00);
  }

  private static StandingQuery query(String from, String to) {
    return Company.query(Axis.REP, Company.REVENUE, from, to, "quota");
  }

  @Test
  void factor_isOfEveryGoal_unrounded() {
    Ledger ledger = company().ledger();
    StandingQuery query = query("2026-08", "2026-09");
    Standing now = ledger.standing(query);
    Standing tried =
        ledger.standing(query.withBasis(query.basis().times(THREE_PERCENT_MORE), query.ladder()));
    assertThat(tried.rows().get(0).reading().goalAmount()).isEqualTo(Ratio.of(206_00));
    assertThat(tried.rows().get(1).reading().goalAmount()).isEqualTo(Ratio.parse("1030"));
    assertThat(tried.total().reading().goalAmount())
        .isEqualTo(now.total().reading().goalAmount().times(THREE_PERCENT_MORE));
    assertThat(tried.total().reading().actual()).isEqualTo(now.total().reading().actual());
    assertThat(new Basis.PriorYear(Ratio.of(2)).times(Ratio.of(3)).factor()).isEqualTo(Ratio.of(6));
    assertThat(new Basis.PriorPeriod(Ratio.of(2)).times(Ratio.of(3)).factor())
        .isEqualTo(Ratio.of(6));
    assertThat(Basis.NONE.times(Ratio.of(3))).isEqualTo(Basis.NONE);
    assertThat(new Goal.Range(Ratio.of(2), Ratio.of(4)).times(Ratio.of(3)))
        .isEqualTo(new Goal.Range(Ratio.of(6), Ratio.of(12)));
    assertThat(Goal.MISSING.times(Ratio.of(3))).isEqualTo(Goal.MISSING);
  }

  @Test
  void atPace_theRunningMonthIsOver_andEverythingStillAddsUp() {
    Ledger ledger = company().ledger();
    for (String from : List.of("2026-08", "2026-09")) {
      StandingQuery query = query(from, "2026-09").withDays(DAY_8_OF_20).withAtPace(true);
      Standing tried = ledger.standing(query);
      Standing.Row a = tried.rows().get(0);
      Ratio before = from.equals("2026-08") ? Ratio.of(101_00) : Ratio.ZERO;
      assertThat(a.reading().actual())
          .isEqualTo(before.plus(Ratio.of(40_01).times(Ratio.of(20, 8))));
      assertThat(a.toDate()).as("nothing is to date").isNull();
      assertThat(a.outlook()).isNull();
      Ratio sum = Ratio.sum(tried.rows().stream().map(row -> row.reading().actual()));
      assertThat(tried.total().reading().actual()).isEqualTo(sum);
      for (Axis along : List.of(Axis.REP, Axis.PRODUCT)) {
        Breakdown parts = Breakdown.of(ledger, query, null, along);
        assertThat(Ratio.sum(parts.parts().stream().map(Breakdown.Part::variance)))
            .as("by %s from %s", along, from)
            .isEqualTo(tried.total().spoken().reading().variance());
      }
    }
  }

  @Test
  void atPace_ofMonthsWithAGoal_endsWhereThatGoalDoes() {
    Ledger ledger = company().ledger();
    Standing.Row b =
        ledger
            .standing(query("2026-08", "2026-09").withDays(DAY_8_OF_20).withAtPace(true))
            .rows()
            .get(1);
    assertThat(b.reading().actual()).isEqualTo(Ratio.of(17_50));
    Ledger more = company().sold("2026-08", "B", null, 5_00).ledger();
    Standing.Row partly =
        more.standing(query("2026-08", "2026-09").withDays(DAY_8_OF_20).withAtPace(true))
            .rows()
            .get(1);
    assertThat(partly.spoken().kind()).isEqualTo(Standing.Kind.COMPARABLE);
    assertThat(partly.spoken().reading().actual()).isEqualTo(Ratio.of(17_50));
  }

  @Test
  void atPace_ofAMonthThatIsOver_changesNothing() {
    Ledger ledger = company().ledger();
    StandingQuery over = query("2026-08", "2026-09");
    assertThat(ledger.standing(over.withAtPace(true)).total().reading())
        .isEqualTo(ledger.standing(over).total().reading());
    StandingQuery firstDay = over.withDays(new Pace.Days(0, 20));
    assertThat(ledger.standing(firstDay.withAtPace(true)).total().reading().actual())
        .as("no working day has gone")
        .isEqualTo(ledger.standing(over).total().reading().actual());
  }

  @Test
  void thresholds_keepNamesAndNumber() {
    Ladder ladder = Ladder.defaultOf(Direction.HIGHER);
    List<Ratio> bounds = List.of(Ratio.parse("0.5"), Ratio.parse("0.6"), Ratio.parse("0.7"));
    Ladder moved = ladder.withBounds(bounds);
    assertThat(moved.rungOf(Ratio.parse("0.6")).name()).isEqualTo("reached");
    assertThat(ladder.rungOf(Ratio.parse("0.6")).name()).isEqualTo("behind");
    assertThatThrownBy(() -> ladder.withBounds(bounds.subList(0, 2)))
        .hasMessage("there are 3 thresholds, not 2");
    assertThatThrownBy(() -> ladder.withBounds(List.of(Ratio.ONE, Ratio.ONE, Ratio.of(2))))
        .hasMessageContaining("must start above");
  }

  @Test
  void pay_isOfQuotasTimesTheFactor_andOfSalesAtTheMonthsEnd() {
    LedgerSales now = new LedgerSales(company().ledger(), List.of());
    int september = Months.number(YearMonth.of(2026, 9));
    TrialSales tried =
        new TrialSales(now, THREE_PERCENT_MORE, Set.of("quota"), september, DAY_8_OF_20);
    assertThat(tried.sales("revenue", 0, september)).as("half up").isEqualTo(100_03);
    assertThat(tried.sales("revenue", 0, september - 1)).isEqualTo(101_00);
    assertThat(tried.quota("quota", "revenue", 0, september)).isEqualTo(Ratio.of(103_00));
    assertThat(tried.quota("none", "revenue", 0, september)).isNull();
    TrialSales other = new TrialSales(now, THREE_PERCENT_MORE, Set.of("other"), september, null);
    assertThat(other.quota("quota", "revenue", 0, september)).isEqualTo(Ratio.of(100_00));
    assertThat(other.sales("revenue", 0, september)).isEqualTo(40_01);
  }
}
