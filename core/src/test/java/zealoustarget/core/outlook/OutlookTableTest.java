package zealoustarget.core.outlook;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import zealoustarget.core.amount.Amounts;
import zealoustarget.core.amount.Direction;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.amount.Writing;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.ladder.Ladder;
import zealoustarget.core.ledger.columns.ActualBlock;
import zealoustarget.core.ledger.columns.Members;
import zealoustarget.core.ledger.query.Basis;
import zealoustarget.core.ledger.query.Filters;
import zealoustarget.core.ledger.query.Narrowing;
import zealoustarget.core.ledger.query.StandingQuery;
import zealoustarget.core.member.Axis;
import zealoustarget.core.outlook.Deal.State;
import zealoustarget.core.reading.Figures;
import zealoustarget.core.reading.Headline;
import zealoustarget.core.testing.Company;

class OutlookTableTest {
  private final Company company =
      new Company("revenue")
          .rep("A", "North", "Tull", "2026-07")
          .rep("B", "North", "Tull", "2026-07")
          .rep("C", "South", "Oster", "2026-07")
          .rep("D", "South", "Oster", "2026-07")
          .rep("E", "West", "Oster", "2026-07")
          .product("P", "Rope")
          .sold("2026-10", "A", "P", 60_000)
          .sold("2026-10", "B", null, 110_000)
          .sold("2026-10", "C", null, 10_000)
          .goal("quota", Axis.REP, "revenue", "2026-10", "A", 100_000)
          .goal("quota", Axis.REP, "revenue", "2026-10", "B", 100_000)
          .goal("quota", Axis.REP, "revenue", "2026-10", "C", 100_000);
  private final List<Deal> deals = new ArrayList<>();

  private void open(String key, String rep, long amount, int percent, String month) {
    add(key, rep, amount, percent, month, State.OPEN);
  }

  private void add(String key, String rep, long amount, int percent, String month, State state) {
    deals.add(
        new Deal(
            deals.size() + 2,
            key,
            company.id(Axis.REP, rep),
            key.startsWith("P") ? company.id(Axis.PRODUCT, "P") : Members.NONE,
            Members.NONE,
            percent * (Deal.CERTAIN / 100),
            Months.number(YearMonth.parse(month)),
            state,
            null,
            new long[] {amount}));
  }

  private List<DealSnapshot> inForce() {
    return List.of(
        DealSnapshot.of(
            new DealSnapshot.Origin("deals", LocalDate.parse("2026-11-05"), 9, List.of("revenue")),
            deals));
  }

  private StandingQuery query() {
    return new StandingQuery(
        Axis.REP,
        Company.REVENUE,
        Company.span("2026-10", "2026-12"),
        new Basis.Set("quota"),
        Filters.NONE,
        Ladder.defaultOf(Direction.HIGHER));
  }

  private OutlookTable table(StandingQuery query, Axis group) {
    return OutlookTable.of(company.ledger(), query, group, inForce());
  }

  private static List<String> keys(OutlookTable table) {
    return table.rows().stream().map(row -> row.member().key()).toList();
  }

  private String headline(OutlookTable table, boolean isPlural) {
    return OutlookHeadline.of(
            table,
            Axis.REP,
            new Headline.Words(
                isPlural ? "The three months to December 2026" : "Quarter 2",
                isPlural,
                "quota",
                new Figures(Writing.NONE)),
            true)
        .stream()
        .map(Headline.Part::text)
        .collect(Collectors.joining());
  }

  private final Map<Integer, Accuracy> ended = new HashMap<>();

  private List<String> insights(OutlookTable table) {
    return OutlookInsights.of(
            table,
            new Figures(Writing.NONE),
            OpenDeals.largest(inForce(), OutlookTable.scope(company.ledger(), query()), Axis.REP))
        .stream()
        .map(OutlookInsights.Sentence::text)
        .toList();
  }

  private void usual() {
    open("P1", "A", 30_000, 50, "2026-11");
    open("P2", "A", 20_000, 50, "2026-12");
    open("3", "C", 40_000, 50, "2026-12");
    open("4", "D", 500, 100, "2026-12");
    open("5", "A", 900, 100, "2026-10");
    add("6", "A", 70_000, 100, "2026-11", State.WON);
  }

  @Test
  void rows_areThoseOfTheStanding_andOfMembersWithDealsOnly() {
    usual();
    OutlookTable table = table(query(), null);
    assertThat(keys(table)).containsExactly("A", "B", "C", "D");
    assertThat(table.total().outlook().deals())
        .isEqualTo(new OpenDeals(90_500, Ratio.of(45_500), 900, 4, 1));
    assertThat(table.withGoal()).isEqualTo(3);
    assertThat(table.expectedToReach()).isOne();
    assertThat(table.rows().get(2).isOutOfReach()).isTrue();
    assertThat(table.rows().get(3).hasGoal()).isFalse();
    assertThat(table.rows().get(3).expected().rung()).isNull();
    assertThat(table.all()).hasSize(5);
    assertThat(headline(table, false))
        .isEqualTo(
            "Quarter 2 should end 24.8 % short of quota with its open deals. One rep could win"
                + " every deal and still miss.");
    assertThat(insights(table))
        .containsExactly(
            "Four open deals hold 905.00 EUR.",
            "9.00 EUR is overdue.",
            "C has too few deals.",
            "A should miss by 150.00 EUR.",
            "A reaches the goal only with deal P1 (300.00 EUR).");
  }

  @Test
  void groups_holdTheirOwnSums_alsoWhereNothingElseIsPosted() {
    usual();
    open("7", "E", 700, 100, "2026-12");
    OutlookTable table = table(query(), Axis.REGION);
    assertThat(table.groups()).isNotNull();
    assertThat(table.groups().stream().map(row -> row.member().key()))
        .containsExactly("North", "South", "West");
    assertThat(table.groups().stream().map(row -> row.outlook().deals().open()))
        .containsExactly(50_000L, 40_500L, 700L);
    assertThat(table.rows().stream().map(row -> row.group() + "/" + row.member().key()))
        .containsExactly("North/A", "North/B", "South/C", "South/D", "West/E");
    OutlookTable byLine = table(query(), Axis.LINE);
    assertThat(byLine.rows().stream().map(row -> row.group() + "/" + row.member().key()))
        .contains("Rope/A", "/C", "/D");
  }

  @Test
  void narrowedRows_haveDealsOfTheirOwn() {
    usual();
    StandingQuery onlyD =
        query().withNarrowing(new Narrowing("d", Set.of(), Set.of(), null, null, null, null));
    OutlookTable table = table(onlyD, null);
    assertThat(keys(table)).containsExactly("D");
    assertThat(table.total().outlook().deals().open()).isEqualTo(500);
    StandingQuery best =
        query()
            .withNarrowing(
                new Narrowing(
                    "",
                    Set.of(),
                    Set.of(),
                    null,
                    null,
                    null,
                    new Narrowing.Top(1, false, Narrowing.By.ACTUAL)));
    assertThat(keys(table(best, null))).containsExactly("B");
    assertThat(table(best, null).total().outlook().deals()).isEqualTo(OpenDeals.NONE);
    assertThat(keys(table(onlyD, Axis.REGION))).isEmpty();
  }

  @Test
  void headline_ofWhatIsReached_missing_orUnknown() {
    assertThat(headline(table(query(), null), false)).isEqualTo("Quarter 2 has no open deals.");
    assertThat(headline(table(query(), null), true)).endsWith("December 2026 have no open deals.");
    open("1", "A", 120_000, 100, "2026-12");
    assertThat(headline(table(query(), null), false))
        .startsWith("Quarter 2 should end exactly on quota with its open deals.");
    open("2", "B", 30_000, 100, "2026-12");
    assertThat(headline(table(query(), null), true))
        .startsWith(
            "The three months to December 2026 should end 10.0 % above quota with their open"
                + " deals.");
    StandingQuery plain = query().withBasis(Basis.NONE, query().ladder());
    assertThat(headline(table(plain, null), false))
        .isEqualTo(
            "Quarter 2 should end at 3\u202f300.00 EUR with its open deals, and there is no goal to"
                + " compare it with.");
    List<Headline.Part> none =
        OutlookHeadline.of(
            table(query(), null),
            Axis.REP,
            new Headline.Words("Q", false, "quota", new Figures(Writing.NONE)),
            false);
    assertThat(none.get(0).text()).contains("No deals are posted");
  }

  @Test
  void insights_nameUpToThree_andSayNothingOfNothing() {
    assertThat(insights(table(query(), null))).containsExactly("C and A have too few deals.");
    open("1", "A", 10, 100, "2026-10");
    open("2", "C", 20, 100, "2026-10");
    open("3", "C", 20, 100, "2026-12");
    assertThat(insights(table(query(), null)))
        .contains("One open deal holds 0.20 EUR.", "0.30 EUR are overdue.");
    for (String rep : List.of("D", "E")) {
      company.goal("quota", Axis.REP, "revenue", "2026-10", rep, 100_000);
    }
    assertThat(insights(table(query(), null))).contains("D, E and two more have too few deals.");
  }

  @Test
  void likelihoods_farFromWhatIsWon_areNamedWithTheirNumberOfDeals() {
    usual();
    ended.put(company.id(Axis.REP, "A"), ended(10, 3, 6L * Deal.CERTAIN));
    ended.put(company.id(Axis.REP, "C"), ended(5, 5, 3L * Deal.CERTAIN));
    ended.put(company.id(Axis.REP, "D"), ended(4, 0, 4L * Deal.CERTAIN));
    assertThat(mistaken()).isEqualTo("C won 100 % of five deals that were put at 60 %.");
    ended.remove(company.id(Axis.REP, "C"));
    assertThat(mistaken()).isEqualTo("A won 30 % of ten deals that were put at 60 %.");
    ended.clear();
    assertThat(mistaken()).isNull();
  }

  /** Of deals in one band. */
  private static Accuracy ended(int deals, int won, long likelihoods) {
    return new Accuracy(List.of(), List.of(new Accuracy.Band(0, deals, won, likelihoods)), null);
  }

  private String mistaken() {
    OutlookInsights.Sentence found =
        OutlookInsights.ofLikelihoods(table(query(), null), new Figures(Writing.NONE), ended);
    return found == null ? null : found.text();
  }

  @Test
  void measures_thatDealsSayNothingOf() {
    assertThat(OutlookTable.isMeasured(Company.REVENUE)).isTrue();
    Measure cost = new Measure("cost", "EUR", 2, Direction.LOWER);
    assertThat(OutlookTable.isMeasured(cost)).isFalse();
    assertThat(
            OutlookTable.isMeasured(Measure.rate("rate", Company.REVENUE, cost, Direction.HIGHER)))
        .isFalse();
  }

  @Test
  void wonDeals_areActualsOfTheMeasuresThatTheyFeed() {
    usual();
    add("8", "B", Amounts.NONE, 100, "2026-11", State.WON);
    List<ActualBlock> blocks = WonDeals.blocks(inForce().get(0), Set.of("revenue", "other"));
    assertThat(blocks).hasSize(1);
    assertThat(blocks.get(0).size()).isOne();
    assertThat(WonDeals.blocks(inForce().get(0), Set.of("other"))).isEmpty();
  }

  @Test
  void laterLines_joinTheirSnapshot_theLaterOneCounts() {
    usual();
    DealSnapshot whole = inForce().get(0);
    Deal again = whole.deal(whole.find("3"));
    DealSnapshot rest =
        DealSnapshot.of(
            new DealSnapshot.Origin("deals", LocalDate.parse("2026-11-05"), 10, List.of("revenue")),
            List.of(
                new Deal(
                    2,
                    "3",
                    again.rep(),
                    -1,
                    -1,
                    0,
                    again.month(),
                    State.LOST,
                    "late",
                    new long[] {1})));
    DealSnapshot both = whole.plus(rest);
    assertThat(both.size()).isEqualTo(whole.size());
    assertThat(both.load(both.find("3"))).isEqualTo(10);
    assertThat(both.load(both.find("4"))).isEqualTo(9);
    assertThat(both.deal(both.find("3")).stage()).isEqualTo("late");
    assertThat(both.deal(both.find("4")).stage()).isNull();
    Map<Integer, Long> seen = new HashMap<>();
    both.eachAmount("revenue", (rep, amount) -> seen.merge(rep, amount, Long::sum));
    assertThat(seen).containsEntry(company.id(Axis.REP, "C"), 1L);
    assertThat(both.namedReps().boxed()).hasSize(3);
    assertThat(both.namedProducts().boxed()).hasSize(1);
    assertThat(both.namedRegions().boxed()).isEmpty();
    assertThat(both.amount(both.measure("units"), 0)).isEqualTo(Amounts.NONE);
  }
}
