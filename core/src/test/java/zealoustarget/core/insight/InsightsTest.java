package zealoustarget.core.insight;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.amount.Writing;
import zealoustarget.core.insight.Insight.Kind;
import zealoustarget.core.ladder.Ladder;
import zealoustarget.core.ledger.Ledger;
import zealoustarget.core.ledger.query.StandingQuery;
import zealoustarget.core.member.Axis;
import zealoustarget.core.reading.Figures;
import zealoustarget.core.reading.Pace;
import zealoustarget.core.testing.Company;

class InsightsTest {
  @Test
  void part_isTheShareOfTheWorstMembersMiss_byLastYearsMix() {
    Company company =
        new Company("revenue")
            .product("compass", "navigation")
            .product("rope", "rigging")
            .rep("mina", "South Reach", "Pell", "2025-01")
            .sold("2025-10", "mina", "compass", 50_000_00)
            .sold("2025-10", "mina", "rope", 50_000_00)
            .sold("2026-10", "mina", "compass", 36_000_00)
            .sold("2026-10", "mina", "rope", 42_000_00)
            .goal("plan", Axis.REGION, "revenue", "2026-10", "South Reach", 100_000_00);
    Insight insight = only(Kind.PART, company.ledger(), Axis.REGION, "plan");
    // the goal's halves are 50 000 each, so navigation misses 14 000 of the 22 000
    assertThat(insight.text()).isEqualTo("Navigation is 64\u00a0% of South Reach’s miss.");
    assertThat(insight.show())
        .isEqualTo(new Insight.Show(List.of(), "South Reach", Axis.LINE, null));
  }

  @Test
  void part_thatMissesMoreThanTheWhole_isSaidInAmounts() {
    Company company =
        new Company("revenue")
            .product("compass", "navigation")
            .product("rope", "rigging")
            .sold("2025-10", "mina", "compass", 50_00)
            .sold("2025-10", "mina", "rope", 50_00)
            .sold("2026-10", "mina", "compass", 30_00)
            .sold("2026-10", "mina", "rope", 60_00)
            .goal("quota", Axis.REP, "revenue", "2026-10", "mina", 100_00);
    assertThat(only(Kind.PART, company.ledger(), Axis.REP, "quota").text())
        .isEqualTo("Navigation alone misses by 20.00 EUR, more than mina’s whole 10.00 EUR.");
  }

  @Test
  void holders_areNamedWhileTheyAreFew() {
    Ledger few = Company.ofReps("2026-10", "A 10/100", "B 95/100", "C 96/100", "D 300/100");
    Insight insight = only(Kind.HOLDERS, few, Axis.REP, "quota");
    assertThat(insight.text()).isEqualTo("A accounts for 91\u00a0% of the shortfall.");
    assertThat(insight.show().keys()).containsExactly("A");
    Ledger many =
        Company.ofReps(
            "2026-10", "A 50/100", "B 50/100", "C 50/100", "D 50/100", "E 90/100", "F 99/100");
    assertThat(only(Kind.HOLDERS, many, Axis.REP, "quota").text())
        .isEqualTo("Four of six reps account for 95\u00a0% of the shortfall.");
    assertThat(kinds(Company.ofReps("2026-10", "A 50/100", "B 50/100"), Axis.REP))
        .doesNotContain(Kind.HOLDERS);
  }

  @Test
  void run_countsMissesInARow_backFromTheLastMonth() {
    Company company = new Company("revenue");
    String[] months = {"2026-06", "2026-07", "2026-08", "2026-09", "2026-10"};
    long[] a = {120, 90, 90, 90, 90};
    long[] b = {90, 90, 120, 90, 90};
    for (int i = 0; i < months.length; i++) {
      company.sold(months[i], "A", null, a[i]).sold(months[i], "B", null, b[i]);
      company.goal("quota", Axis.REP, "revenue", months[i], "A", 100);
      company.goal("quota", Axis.REP, "revenue", months[i], "B", 100);
    }
    Insight insight = only(Kind.RUN, company.ledger(), Axis.REP, "quota");
    assertThat(insight.text()).isEqualTo("A missed quota four months in a row.");
    assertThat(insight.show().months()).isEqualTo(Company.span("2026-07", "2026-10"));
    assertThat(insight.show().keys()).containsExactly("A");
  }

  @Test
  void outside_speaksInTheRightNumber() {
    assertThat(outside(80, 150, 150)).isEqualTo("One of three reps is outside its range.");
    assertThat(outside(80, 250, 150)).isEqualTo("Two of three reps are outside their range.");
    assertThat(outside(150, 150, 150)).isNull();
  }

  private static String outside(long... actuals) {
    Company company = new Company("revenue");
    for (int i = 0; i < actuals.length; i++) {
      company.sold("2026-10", "R" + i, null, actuals[i]);
      company.range("forecast", Axis.REP, "revenue", "2026-10", "R" + i, 100, 200L);
    }
    return insights(company.ledger(), Axis.REP, "forecast").stream()
        .filter(insight -> insight.kind() == Kind.OUTSIDE)
        .map(Insight::text)
        .findFirst()
        .orElse(null);
  }

  @Test
  void landing_isSaidOnlyOfAnOpenMonth() {
    Ledger ledger = Company.ofReps("2026-11", "A 4000/10000");
    StandingQuery asked = Company.query(Axis.REP, Company.REVENUE, "2026-11", "2026-11", "quota");
    assertThat(landing(ledger, asked, new Pace.Days(10, 20)))
        .isEqualTo(
            "At the pace of November 2026 the projected actual is 80.00 EUR, 20.00 EUR under quota.");
    assertThat(landing(ledger, asked, new Pace.Days(20, 20))).isNull();
  }

  private static String landing(Ledger ledger, StandingQuery asked, Pace.Days days) {
    StandingQuery open = asked.withDays(days);
    return Insights.of(
            ledger, open, ledger.standing(open), "quota", List.of(), new Figures(Writing.NONE))
        .stream()
        .filter(insight -> insight.kind() == Kind.LANDING)
        .map(Insight::text)
        .findFirst()
        .orElse(null);
  }

  @Test
  void nearMiss_fall_andNoGoal_sayWhatTheRowsSay() {
    Company company =
        new Company("revenue")
            .sold("2025-10", "A", null, 200_00)
            .sold("2026-10", "A", null, 99_99)
            .sold("2026-10", "B", null, 5_00)
            .goal("quota", Axis.REP, "revenue", "2026-10", "A", 100_00);
    Ledger ledger = company.ledger();
    assertThat(insights(ledger, Axis.REP, "quota"))
        .extracting(Insight::text)
        .containsExactly(
            "A is 0.01 EUR short of quota.",
            "A has the largest drop on last year, 50\u00a0%.",
            "B has no goal, with 5.00 EUR posted.");
  }

  @Test
  void nothingShort_saysNothingOfIt() {
    assertThat(kinds(Company.ofReps("2026-10", "A 100/100", "B 120/100"), Axis.REP)).isEmpty();
    assertThat(kinds(new Company("revenue").ledger(), Axis.REP)).isEmpty();
  }

  @Test
  void reasons_areSummedOverTheShortfall() {
    List<ReasonShare> shares =
        ReasonShare.of(
            List.of(
                new ReasonShare.Noted("stock-out", Ratio.of(30)),
                new ReasonShare.Noted(null, Ratio.of(59)),
                new ReasonShare.Noted("stock-out", Ratio.of(11)),
                new ReasonShare.Noted("left", Ratio.ZERO)));
    assertThat(shares)
        .containsExactly(
            new ReasonShare("stock-out", Ratio.of(41), Ratio.of(41, 100), 2),
            new ReasonShare(null, Ratio.of(59), Ratio.of(59, 100), 1));
    assertThat(ReasonShare.of(List.of())).isEmpty();
    Ledger ledger = Company.ofReps("2026-10", "A 50/100");
    StandingQuery query = Company.query(Axis.REP, Company.REVENUE, "2026-10", "2026-10", "quota");
    assertThat(
            Insights.of(
                ledger, query, ledger.standing(query), "quota", shares, new Figures(Writing.NONE)))
        .extracting(Insight::text)
        .contains("41\u00a0% of the shortfall: stock-out.");
  }

  private static Insight only(Kind kind, Ledger ledger, Axis axis, String set) {
    return insights(ledger, axis, set).stream()
        .filter(insight -> insight.kind() == kind)
        .findFirst()
        .orElseThrow();
  }

  private static List<Kind> kinds(Ledger ledger, Axis axis) {
    return insights(ledger, axis, "quota").stream().map(Insight::kind).toList();
  }

  private static List<Insight> insights(Ledger ledger, Axis axis, String set) {
    StandingQuery query = Company.query(axis, Company.REVENUE, "2026-10", "2026-10", set);
    if (set.equals("forecast")) {
      query = query.withLadder(Ladder.ofRange(Company.REVENUE.direction()));
    }
    return Insights.of(
        ledger, query, ledger.standing(query), set, List.of(), new Figures(Writing.NONE));
  }
}
