package zealoustarget.core.ledger;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.YearMonth;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import zealoustarget.core.amount.Direction;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.amount.Writing;
import zealoustarget.core.insight.Insight;
import zealoustarget.core.insight.Insights;
import zealoustarget.core.ladder.Ladder;
import zealoustarget.core.ladder.Rung;
import zealoustarget.core.ladder.Scale;
import zealoustarget.core.ladder.Tone;
import zealoustarget.core.ledger.query.Grouped;
import zealoustarget.core.ledger.query.Narrowing;
import zealoustarget.core.ledger.query.StandingQuery;
import zealoustarget.core.member.Axis;
import zealoustarget.core.reading.CompanyShare;
import zealoustarget.core.reading.Figures;
import zealoustarget.core.reading.Headline;
import zealoustarget.core.reading.NoReading;
import zealoustarget.core.reading.Pace;
import zealoustarget.core.reading.Standing;
import zealoustarget.core.testing.Company;

/** What is said of empty and running months and of goals for a part of them. */
class SpokenTest {
  private static Company company() {
    return new Company("revenue")
        .sold("2026-07", "A", null, 95_00)
        .sold("2026-08", "A", null, 101_00)
        .sold("2026-09", "A", null, 30_00)
        .goal("quota", Axis.REP, "revenue", "2026-07", "A", 100_00)
        .goal("quota", Axis.REP, "revenue", "2026-09", "A", 90_00)
        .goal("quota", Axis.REP, "revenue", "2026-11", "A", 70_00);
  }

  private static StandingQuery query(String from, String to) {
    return Company.query(Axis.REP, Company.REVENUE, from, to, "quota");
  }

  private static String headline(Ledger ledger, StandingQuery query, Headline.Scope scope) {
    return Headline.of(
            ledger.standing(query),
            query.axis(),
            new Headline.Words("The span", false, "quota", new Figures(Writing.NONE)),
            scope)
        .stream()
        .map(Headline.Part::text)
        .collect(Collectors.joining())
        .replace('\u00a0', ' ');
  }

  @Test
  void comparable_isOfTheMonthsWithAGoal_andIsSpokenOf() {
    Ledger ledger = company().ledger();
    Standing.Row row = ledger.standing(query("2026-07", "2026-09")).rows().get(0);
    assertThat(row.reading().actual()).isEqualTo(Ratio.of(226_00));
    assertThat(row.spoken().kind()).isEqualTo(Standing.Kind.COMPARABLE);
    assertThat(row.comparable().reading().actual()).isEqualTo(Ratio.of(125_00));
    assertThat(row.spoken().reading().variance()).isEqualTo(Ratio.of(-65_00));
    assertThat(row.status().word()).as("the plain one stays").isEqualTo("reached");
    assertThat(headline(ledger, query("2026-07", "2026-09"), scope(3)))
        .contains("34.2 % short of quota (goal for 2 of 3 months).");
    assertThat(ledger.standing(query("2026-07", "2026-07")).rows().get(0).comparable()).isNull();
  }

  private static Headline.Scope scope(int months) {
    return new Headline.Scope(
        "September 2026", null, months, List.of(), List.of(), false, null, null);
  }

  @Test
  void emptySpan_isNotJudged_andHasNothingWorthSaying() {
    Ledger ledger = company().ledger();
    StandingQuery november = query("2026-11", "2026-11");
    Standing standing = ledger.standing(november);
    assertThat(standing.rows().get(0).status().noReading()).isEqualTo(NoReading.EMPTY);
    assertThat(standing.rows().get(0).reading().shortfall()).isEqualTo(Ratio.of(70_00));
    assertThat(headline(ledger, november, scope(1)))
        .isEqualTo("The span has no actuals yet. The goal (quota) is 70.00 EUR.");
    assertThat(
            headline(
                ledger,
                november,
                new Headline.Scope(
                    "November 2026",
                    null,
                    1,
                    List.of("November 2026"),
                    List.of(),
                    false,
                    null,
                    null)))
        .as("said once")
        .isEqualTo("The span has no actuals yet. The goal (quota) is 70.00 EUR.");
    assertThat(
            Insights.of(ledger, november, standing, "quota", List.of(), new Figures(Writing.NONE)))
        .isEmpty();
    assertThat(ledger.emptyMonths(Company.REVENUE, Company.span("2026-08", "2026-11")))
        .containsExactly(YearMonth.of(2026, 10), YearMonth.of(2026, 11));
    Measure returns = new Measure("returns", "EUR", 2, Direction.LOWER);
    Measure rate = Measure.rate("returnRate", returns, Company.REVENUE, Direction.LOWER);
    assertThat(ledger.emptyMonths(rate, Company.span("2026-08", "2026-08")))
        .as("a rate is empty when either of its measures is")
        .hasSize(1);
  }

  @Test
  void runningMonth_isSpokenOfAgainstTheGoalToDate() {
    Ledger ledger = company().ledger();
    StandingQuery september = query("2026-09", "2026-09").withDays(new Pace.Days(8, 20));
    Standing.Row row = ledger.standing(september).rows().get(0);
    assertThat(row.toDate().reading().goalAmount()).isEqualTo(Ratio.of(36_00));
    assertThat(row.spoken().kind()).isEqualTo(Standing.Kind.TO_DATE);
    assertThat(row.status().word()).isEqualTo("behind");
    Headline.Scope scope =
        new Headline.Scope(
            "September 2026", new Pace.Days(8, 20), 1, List.of(), List.of(), false, null, null);
    assertThat(headline(ledger, september, scope))
        .startsWith(
            "The span, day 8 of 20: 16.7 % behind pace; 66.7 % of quota to go."
                + " A is behind pace by 6.00 EUR.");
    Standing.Row whole = ledger.standing(september.withWhole(true)).rows().get(0);
    assertThat(whole.spoken().kind()).isEqualTo(Standing.Kind.WHOLE);
    assertThat(
            Insights.of(
                    ledger,
                    september,
                    ledger.standing(september),
                    "quota",
                    List.of(),
                    new Figures(Writing.NONE))
                .stream()
                .map(Insight::kind))
        .contains(Insight.Kind.LANDING)
        .doesNotContain(Insight.Kind.FALL);
  }

  @Test
  void paceOfSpend_andOfRanges_haveTheirOwnWords() {
    Measure spend = new Measure("revenue", "EUR", 2, Direction.LOWER);
    Ledger ledger = company().ledger();
    Headline.Scope scope =
        new Headline.Scope(
            "September 2026", new Pace.Days(2, 20), 1, List.of(), List.of(), false, null, null);
    StandingQuery over =
        Company.query(Axis.REP, spend, "2026-09", "2026-09", "quota")
            .withDays(new Pace.Days(2, 20));
    assertThat(headline(ledger, over, scope))
        .startsWith("The span, day 2 of 20: 233.3 % over pace; 66.7 % of quota left.");
    Ledger ranges =
        company().range("forecast", Axis.REP, "revenue", "2026-09", "A", 50_00, 100_00L).ledger();
    StandingQuery range =
        Company.query(Axis.REP, Company.REVENUE, "2026-09", "2026-09", "forecast")
            .withDays(new Pace.Days(10, 20));
    assertThat(headline(ranges, range, scope))
        .startsWith("The span, day 2 of 20: inside the range");
  }

  @Test
  void whatIsLeftOut_isSaid() {
    Headline.Scope scope =
        new Headline.Scope(
            "September 2026",
            null,
            1,
            List.of("June 2026"),
            List.of("Harbour Isles", "South"),
            false,
            Ratio.of(-12_00),
            null);
    assertThat(headline(company().ledger(), query("2026-09", "2026-09"), scope))
        .endsWith(
            " June 2026 has no actuals yet. Without Harbour Isles and South, whose files have not"
                + " come. Corrections since close, −12.00 EUR, are not included.");
    Headline.Scope restated =
        new Headline.Scope(
            "September 2026",
            null,
            1,
            List.of("A", "B", "C", "D"),
            List.of("E", "F", "G", "H"),
            true,
            null,
            null);
    assertThat(headline(company().ledger(), query("2026-09", "2026-09"), restated))
        .endsWith(
            " Four months have no actuals yet. Without four reps, whose files have not come."
                + " Closed months are restated.");
  }

  @Test
  void membersThatAreLeftOut_leaveTheTotal_butNotLinesWithoutAMember() {
    Company company = company().sold("2026-09", "B", null, 40_00).sold("2026-09", null, null, 1_00);
    Ledger ledger = company.ledger();
    StandingQuery september = query("2026-09", "2026-09");
    StandingQuery without =
        september.withNarrowing(Narrowing.NONE.leavingOut(Set.of(company.id(Axis.REP, "B"))));
    Standing standing = ledger.standing(without);
    assertThat(standing.rows()).hasSize(1);
    assertThat(standing.total().reading().actual()).isEqualTo(Ratio.of(31_00));
    assertThat(standing.leftOut().members()).isEqualTo(1);
  }

  @Test
  void goalsThatAGroupingDoesNotSplit_standInNoGroup() {
    Ledger ledger =
        new Company("revenue")
            .rep("A", "North", "Tull", "2026-01")
            .product("P", "rigging")
            .sold("2026-07", "A", "P", 80_00)
            .goal("quota", Axis.REP, "revenue", "2026-07", "A", 100_00)
            .goal("plan", Axis.REGION, "revenue", "2026-07", "North", 90_00)
            .ledger();
    Grouped byLine = ledger.grouped(query("2026-07", "2026-07"), Axis.LINE);
    assertThat(byLine.groups()).hasSize(1);
    assertThat(byLine.groups().get(0).total().hasGoal()).isFalse();
    assertThat(byLine.unsplit().members()).isEqualTo(1);
    assertThat(byLine.whole().total().reading().goalAmount()).isEqualTo(Ratio.of(100_00));
    StandingQuery regions =
        Company.query(Axis.REGION, Company.REVENUE, "2026-07", "2026-07", "plan");
    Grouped byManager = ledger.grouped(regions, Axis.MANAGER);
    assertThat(byManager.unsplit()).as("all reps of North are Tull's").isNull();
    assertThat(byManager.groups().get(0).total().reading().goalAmount()).isEqualTo(Ratio.of(90_00));
    assertThat(ledger.grouped(regions, Axis.LINE).unsplit().members()).isEqualTo(1);
  }

  @Test
  void ladderPerMonth_isScaledByTheMonthsWithActuals() {
    Ladder ladder =
        new Ladder(
            Scale.VALUE,
            List.of(Rung.first("low", Tone.BAD), Rung.from("high", Tone.GOOD, Ratio.of(75))),
            true);
    Ledger ledger = company().ledger();
    StandingQuery year = query("2026-07", "2026-11").withLadder(ladder);
    // 226.00 in three months with actuals, against 225.00
    assertThat(ledger.standing(year).rows().get(0).status().word()).isEqualTo("high");
    assertThat(ledger.ladder(year).rungs().get(1).lowerBound()).isEqualTo(Ratio.of(225));
    assertThat(ledger.standing(query("2026-09", "2026-09").withLadder(ladder)).rows().get(0))
        .extracting(row -> row.status().word())
        .isEqualTo("low");
    assertThat(ladder.over(0).rungs().get(1).lowerBound()).isEqualTo(Ratio.of(75));
    org.assertj.core.api.Assertions.assertThatIllegalArgumentException()
        .isThrownBy(
            () -> new Ladder(Scale.PERCENT_TO_GOAL, List.of(Rung.first("a", Tone.BAD)), true))
        .withMessageContaining("perMonth");
  }

  @Test
  void breakdown_ofMonthsThatDoNotFollowEachOther_addsUp() {
    Company company =
        company()
            .sold("2025-07", "A", "P", 10_00)
            .sold("2025-09", "A", "Q", 30_00)
            .product("P", "L1")
            .product("Q", "L2");
    Ledger ledger = company.ledger();
    StandingQuery span = query("2026-07", "2026-09");
    Breakdown parts = Breakdown.of(ledger, span, company.id(Axis.REP, "A"), Axis.PRODUCT);
    assertThat(parts.whole()).isEqualTo(Ratio.of(-65_00));
    assertThat(parts.parts().stream().map(Breakdown.Part::variance).reduce(Ratio.ZERO, Ratio::plus))
        .isEqualTo(parts.whole());
    StandingQuery running = query("2026-09", "2026-09").withDays(new Pace.Days(1, 7));
    Breakdown toDate = Breakdown.of(ledger, running, company.id(Axis.REP, "A"), Axis.PRODUCT);
    assertThat(toDate.whole()).isEqualTo(Ratio.of(30_00).minus(Ratio.of(90_00, 7)));
    assertThat(
            toDate.parts().stream().map(Breakdown.Part::variance).reduce(Ratio.ZERO, Ratio::plus))
        .isEqualTo(toDate.whole());
  }

  @Test
  void actualsByTheCompanysGoal_areAShareOfItAndNoAttainment() {
    CompanyShare share = new CompanyShare(Ratio.of(200_00), Ratio.of(70_00));
    Headline.Scope scope =
        new Headline.Scope("September 2026", null, 1, List.of(), List.of(), false, null, share);
    StandingQuery query =
        Company.query(Axis.REP, Company.REVENUE, "2026-07", "2026-09", "company goal");
    assertThat(headline(company().ledger(), query, scope))
        .isEqualTo(
            "The span has 226.00 EUR of revenue, 113.0 % of the company's goal of 200.00 EUR.");
  }
}
