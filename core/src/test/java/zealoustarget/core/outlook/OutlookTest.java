package zealoustarget.core.outlook;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import zealoustarget.core.amount.Direction;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.ladder.Ladder;
import zealoustarget.core.ledger.Ledger;
import zealoustarget.core.ledger.columns.Members;
import zealoustarget.core.ledger.query.Filters;
import zealoustarget.core.member.Axis;
import zealoustarget.core.outlook.Bridge.Step;
import zealoustarget.core.outlook.Deal.State;
import zealoustarget.core.reading.Goal;
import zealoustarget.core.reading.NoReading;
import zealoustarget.core.reading.Reading;
import zealoustarget.core.testing.Company;

class OutlookTest {
  private final Company company =
      new Company("revenue")
          .rep("U1", "North", "Tull", "2026-07")
          .rep("U2", "North", "Tull", "2026-07")
          .rep("U3", "South", "Oster", "2026-07")
          .rep("U4", "South", "Oster", "2026-07")
          .product("P1", "Rope");
  private final Ledger ledger = company.ledger();
  private final Members members = ledger.members();

  private static int month(String text) {
    return Months.number(YearMonth.parse(text));
  }

  private Deal deal(String key, String rep, long amount, int percent, String month, State state) {
    return new Deal(
        1,
        key,
        company.id(Axis.REP, rep),
        Members.NONE,
        Members.NONE,
        percent * (Deal.CERTAIN / 100),
        month(month),
        state,
        null,
        new long[] {amount});
  }

  private static DealSnapshot snapshot(String day, List<Deal> deals) {
    return of("deals", day, deals);
  }

  private static int loads;

  private static DealSnapshot of(String source, String day, List<Deal> deals) {
    return DealSnapshot.of(
        new DealSnapshot.Origin(source, LocalDate.parse(day), ++loads, List.of("revenue")), deals);
  }

  /** Two snapshots between which every deal meets another fate. */
  private DealSnapshot october() {
    return snapshot(
        "2026-10-15",
        List.of(
            deal("D01", "U1", 3_000_000, 50, "2026-11", State.OPEN),
            deal("D02", "U1", 1_800_000, 70, "2026-12", State.OPEN),
            deal("D03", "U2", 100_000, 12, "2026-11", State.OPEN),
            deal("D04", "U3", 70_000, 90, "2026-12", State.OPEN),
            deal("D05", "U3", 64_000, 10, "2026-11", State.OPEN),
            deal("D06", "U4", 33_333, 33, "2027-01", State.OPEN),
            deal("D07", "U2", 5_555, 100, "2026-12", State.OPEN),
            deal("D08", "U3", 21_000, 40, "2026-10", State.OPEN),
            deal("D09", "U4", 8_000, 0, "2026-11", State.OPEN)));
  }

  private DealSnapshot november() {
    return snapshot(
        "2026-11-30",
        List.of(
            deal("D01", "U1", 3_000_000, 50, "2026-12", State.OPEN),
            deal("D02", "U1", 2_000_000, 80, "2026-12", State.OPEN),
            deal("D03", "U2", 90_000, 12, "2026-11", State.OPEN),
            deal("D04", "U3", 71_000, 100, "2026-11", State.WON),
            deal("D05", "U3", 64_000, 0, "2026-11", State.LOST),
            deal("D06", "U4", 33_333, 33, "2026-12", State.OPEN),
            deal("D07", "U2", 5_555, 100, "2027-02", State.OPEN),
            deal("D08", "U3", 21_000, 40, "2026-10", State.OPEN),
            deal("D10", "U4", 9_999, 25, "2026-12", State.OPEN)));
  }

  private DealScope quarter() {
    return new DealScope("revenue", Company.span("2026-10", "2026-12"), Filters.NONE, members);
  }

  private static Reading reading(long actual, Goal goal) {
    return new Reading(Direction.HIGHER, Ratio.of(actual), goal, 1, null, null);
  }

  @Test
  void outlook_ofTheWorkedExample() {
    OpenDeals deals = OpenDeals.of(List.of(november()), quarter(), Axis.REP, null).of(0);
    Outlook outlook =
        new Outlook(reading(6_200_000, new Goal.Single(Ratio.of(10_000_000))), false, deals);
    assertThat(deals.open()).isEqualTo(5_000_000);
    assertThat(deals.weighted()).isEqualTo(Ratio.of(3_100_000));
    assertThat(outlook.expected()).isEqualTo(Ratio.of(9_300_000));
    assertThat(outlook.atBest()).isEqualTo(Ratio.of(11_200_000));
    assertThat(outlook.toGo()).isEqualTo(Ratio.of(3_800_000));
    assertThat(outlook.coverage()).isEqualTo(Ratio.of(25, 19));
    assertThat(outlook.likelihoodNeeded()).isEqualTo(Ratio.parse("0.76"));
    Ladder ladder = Ladder.defaultOf(Direction.HIGHER);
    assertThat(outlook.expectedStatus(ladder, Ratio.of(100), null).word()).isEqualTo("near");
    assertThat(
            new Outlook(outlook.reading(), true, deals)
                .expectedStatus(ladder, Ratio.of(100), null)
                .noReading())
        .isEqualTo(NoReading.EMPTY);
  }

  @Test
  void undefined_whereNothingIsToGoOrOpen() {
    Reading reached = reading(900, new Goal.Single(Ratio.of(850)));
    OpenDeals some = new OpenDeals(100, Ratio.of(50), 0, 1, 0);
    assertThat(new Outlook(reached, false, some).toGo()).isEqualTo(Ratio.ZERO);
    assertThat(new Outlook(reached, false, some).coverage()).isNull();
    assertThat(new Outlook(reached, false, some).likelihoodNeeded()).isNull();
    Outlook without = new Outlook(reading(900, Goal.MISSING), false, some);
    assertThat(without.toGo()).isNull();
    assertThat(without.expected()).isEqualTo(Ratio.of(950));
    Reading short1 = reading(100, new Goal.Single(Ratio.of(200)));
    assertThat(new Outlook(short1, false, OpenDeals.NONE).coverage()).isEqualTo(Ratio.ZERO);
    assertThat(new Outlook(short1, false, OpenDeals.NONE).likelihoodNeeded()).isNull();
    Reading range = reading(1, new Goal.Range(Ratio.ONE, Ratio.of(2)));
    assertThat(new Outlook(range, false, some).toGo()).isNull();
    Reading lower = new Reading(Direction.LOWER, Ratio.ONE, Goal.MISSING, 0, null, null);
    assertThatIllegalArgumentException().isThrownBy(() -> new Outlook(lower, false, some));
  }

  @Test
  void overdue_isInNoneOfTheOthers_andEachDealIsOfItsMember() {
    OpenDeals.ByPlace all = OpenDeals.of(List.of(november()), quarter(), Axis.REGION, null);
    assertThat(all.total())
        .isEqualTo(new OpenDeals(5_133_332, all.total().weighted(), 21_000, 5, 1));
    OpenDeals south = all.of(company.id(Axis.REGION, "South"));
    assertThat(south.open()).isEqualTo(43_332);
    assertThat(south.weighted()).isEqualTo(Ratio.parse("13499.64"));
    assertThat(south.overdue()).isEqualTo(21_000);
    OpenDeals.ByPlace products =
        OpenDeals.of(List.of(november()), quarter(), Axis.PRODUCT, Axis.REGION);
    assertThat(products.of(company.id(Axis.REGION, "South"), Members.NONE))
        .as("no deal names a product")
        .isEqualTo(south);
    assertThat(products.total()).isEqualTo(all.total());
    assertThat(OpenDeals.sum(List.copyOf(all.places().values()))).isEqualTo(all.total());
    assertThat(south.likelihood()).isEqualTo(Ratio.parse("13499.64").dividedBy(Ratio.of(43_332)));
    assertThat(OpenDeals.NONE.likelihood()).isNull();
  }

  @Test
  void place_isTheDealsOwnRegion_elseTheRostersInItsMonth() {
    int south = company.id(Axis.REGION, "South");
    long[] amount = {10};
    Deal own = new Deal(1, "A", 0, 0, south, 0, month("2026-12"), State.OPEN, null, amount);
    Deal early = new Deal(2, "B", 0, -1, -1, 0, month("2026-06"), State.OPEN, null, amount);
    DealSnapshot both = snapshot("2026-10-15", List.of(early, own));
    DealScope scope = quarter();
    assertThat(scope.placeOf(both, 0, Axis.REGION)).isEqualTo(south);
    assertThat(scope.placeOf(both, 0, Axis.LINE)).isEqualTo(company.id(Axis.LINE, "Rope"));
    assertThat(scope.placeOf(both, 0, Axis.MANAGER)).isEqualTo(company.id(Axis.MANAGER, "Tull"));
    assertThat(scope.placeOf(both, 1, Axis.REGION)).isEqualTo(Members.NONE);
    assertThat(scope.contains(both, 1)).as("before the span").isFalse();
    assertThat(new DealScope("units", scope.span(), scope.filters(), members).contains(both, 0))
        .as("of another measure")
        .isFalse();
    assertThat(scope.of(Axis.REGION, south).contains(both, 0)).isTrue();
    assertThat(scope.of(Axis.MANAGER, company.id(Axis.MANAGER, "Oster")).contains(both, 0))
        .isFalse();
    assertThat(scope.of(Axis.COMPANY, 0)).isEqualTo(scope);
  }

  @Test
  void inForce_isTheLatestAtOrBeforeADay_ofTheSameDayTheLast() {
    DealSnapshot first = october();
    DealSnapshot again = snapshot("2026-10-15", List.of());
    DealSnapshot last = november();
    DealSnapshot other = of("other", "2026-10-20", List.of());
    List<DealSnapshot> posted = List.of(last, first, other, again);
    assertThat(DealSnapshot.inForce(posted, null)).containsExactly(last, other);
    assertThat(DealSnapshot.inForce(posted, LocalDate.parse("2026-11-29")))
        .containsExactly(again, other);
    assertThat(DealSnapshot.inForce(posted, LocalDate.parse("2026-10-14"))).isEmpty();
    assertThat(DealSnapshot.day(posted)).isEqualTo("2026-11-30");
    assertThat(DealSnapshot.day(List.of())).isNull();
  }

  @Test
  void keys_areTheSameInAnyCase_andSightKeepsWhatMayBeSeen() {
    DealSnapshot last = november();
    assertThat(last.find("d04")).isEqualTo(3);
    assertThat(last.find("D05 ")).isNegative();
    assertThat(last.deal(3).state()).isEqualTo(State.WON);
    int own = company.id(Axis.REP, "U3");
    DealSnapshot seen = last.only((rep, month) -> rep == own && month < month("2026-12"));
    assertThat(seen.size()).isEqualTo(3);
    assertThat(seen.find("D01")).isNegative();
    assertThat(seen.key(0)).isEqualTo("D04");
    assertThat(last.only((rep, month) -> true)).isSameAs(last);
    assertThat(DealKey.fold(" D  4Ä")).isEqualTo("d 4ä");
    assertThat(DealKey.ORDER.compare("a", "AB")).isNegative();
  }

  @Test
  void accuracy_holdsEarlierSnapshotsAgainstTheOneInForce() {
    DealSnapshot first =
        of(
            "deals",
            "2026-10-05",
            List.of(
                deal("A", "U1", 100, 50, "2026-10", State.OPEN),
                deal("B", "U1", 200, 90, "2026-10", State.OPEN),
                deal("C", "U2", 300, 10, "2026-10", State.OPEN),
                deal("D", "U2", 400, 100, "2026-12", State.OPEN),
                deal("E", "U2", 500, 0, "2026-10", State.LOST)));
    DealSnapshot last =
        of(
            "deals",
            "2026-11-20",
            List.of(
                deal("A", "U1", 110, 100, "2026-10", State.WON),
                deal("B", "U1", 200, 0, "2026-11", State.LOST),
                deal("C", "U2", 300, 20, "2026-12", State.OPEN),
                deal("D", "U2", 400, 100, "2026-11", State.WON)));
    List<DealSnapshot> posted = List.of(last, first, of("other", "2026-10-01", List.of()));
    Accuracy all = Accuracy.of(posted, List.of(last), quarter());
    assertThat(all.snapshots()).hasSize(1);
    Accuracy.OfSnapshot of = all.snapshots().get(0);
    assertThat(of.deals()).isEqualTo(3);
    assertThat(of.expected()).as("50 + 180 + 30").isEqualTo(Ratio.of(260));
    assertThat(of.came()).isEqualTo(110);
    assertThat(of.ratio()).isEqualTo(Ratio.of(260, 110));
    assertThat(all.slip()).as("0, 2 and −1 months").isEqualTo(Ratio.of(1, 3));
    assertThat(all.bands().stream().map(Accuracy.Band::deals)).containsExactly(0, 0, 1, 0, 2);
    assertThat(all.bands().get(4).wonShare()).isEqualTo(Ratio.of(1, 2));
    assertThat(all.bands().get(4).stated()).isEqualTo(Ratio.parse("0.95"));
    assertThat(all.bands().get(0).wonShare()).isNull();
    assertThat(all.bands().get(0).stated()).isNull();
    Map<Integer, Accuracy> byMember = Accuracy.byMember(posted, List.of(last), quarter(), Axis.REP);
    Accuracy first1 = byMember.get(company.id(Axis.REP, "U1"));
    Accuracy first2 = byMember.get(company.id(Axis.REP, "U2"));
    assertThat(first1.ended()).isEqualTo(new Accuracy.Band(0, 2, 1, Deal.CERTAIN / 5L * 7));
    assertThat(first2.ended()).isEqualTo(new Accuracy.Band(0, 1, 1, Deal.CERTAIN));
    assertThat(byMember.values().stream().map(Accuracy::expected).reduce(Ratio.ZERO, Ratio::plus))
        .as("the members' parts add up")
        .isEqualTo(all.expected());
    assertThat(byMember.values().stream().mapToLong(Accuracy::came).sum()).isEqualTo(all.came());
    Accuracy none = Accuracy.of(posted, List.of(first), quarter());
    assertThat(none.snapshots()).isEmpty();
    assertThat(none.slip()).isNull();
    assertThat(new Accuracy.OfSnapshot(first, Ratio.ONE, 0, 1).ratio()).isNull();
  }

  @Test
  void override_standsFromItsSnapshotOn_whileTheSourceSaysTheSame() {
    DealSnapshot first =
        of("deals", "2026-10-01", List.of(deal("D", "U1", 100, 50, "2026-11", State.OPEN)));
    DealSnapshot second =
        of("deals", "2026-10-15", List.of(deal("D", "U1", 100, 50, "2026-11", State.OPEN)));
    DealSnapshot third =
        of("deals", "2026-11-01", List.of(deal("d", "U1", 100, 50, "2026-12", State.OPEN)));
    DealSnapshot changed =
        of("deals", "2026-11-15", List.of(deal("D", "U1", 100, 60, "2026-12", State.OPEN)));
    DealSnapshot back =
        of("deals", "2026-12-01", List.of(deal("D", "U1", 100, 50, "2026-12", State.OPEN)));
    DealSnapshot other =
        of("other", "2026-11-01", List.of(deal("D", "U1", 100, 50, "2026-12", State.OPEN)));
    DealOverride override =
        new DealOverride(
            "deals",
            "d",
            DealOverride.Field.LIKELIHOOD,
            null,
            Deal.CERTAIN,
            Deal.CERTAIN / 2,
            LocalDate.parse("2026-10-10"));
    List<DealSnapshot> all = List.of(back, first, second, third, changed, other);
    DealOverride.Overridden over = DealOverride.over(all, List.of(override));
    assertThat(over.snapshots().stream().map(one -> one.deal(0).likelihood() / 1_000_000))
        .containsExactly(50, 50, 100, 100, 60, 50);
    DealOverride amount =
        new DealOverride(
            "deals",
            "d",
            DealOverride.Field.AMOUNT,
            "revenue",
            7,
            100,
            LocalDate.parse("2026-11-01"));
    assertThat(
            DealOverride.over(all, List.of(amount)).snapshots().stream().map(s -> s.amount(0, 0)))
        .containsExactly(7L, 100L, 100L, 7L, 7L, 100L);
    assertThat(DealOverride.over(all, List.of()).snapshots()).isEqualTo(all);
  }

  @ParameterizedTest(name = "{0}")
  @CsvSource({
    "all, 5047555, 9999, 33333, 200000, 10000, 70000, 64000, 5555, 8000, 5133332",
    "U1, 4800000, 0, 0, 200000, 0, 0, 0, 0, 0, 5000000",
    "U2, 105555, 0, 0, 0, 10000, 0, 0, 5555, 0, 90000",
    "U3, 134000, 0, 0, 0, 0, 70000, 64000, 0, 0, 0",
    "U4, 8000, 9999, 33333, 0, 0, 0, 0, 0, 8000, 43332"
  })
  void bridge_saysWhatBecameOfEachDeal(
      String rep,
      long before,
      long added,
      long movedIn,
      long raised,
      long lowered,
      long won,
      long lost,
      long movedOut,
      long gone,
      long after) {
    DealScope scope =
        rep.equals("all") ? quarter() : quarter().of(Axis.REP, company.id(Axis.REP, rep));
    Bridge bridge = Bridge.between(october(), november(), scope);
    assertThat(bridge.before()).isEqualTo(before);
    assertThat(bridge.after()).isEqualTo(after);
    assertThat(Stream.of(Step.values()).map(bridge::of))
        .containsExactly(added, movedIn, raised, lowered, won, lost, movedOut, gone);
    Map<Step, Long> seen = new TreeMap<>();
    Bridge.each(
        october(),
        november(),
        scope,
        (step, amount, then, now) -> seen.merge(step, amount, Long::sum));
    for (Step step : Step.values()) {
      assertThat(seen.getOrDefault(step, 0L)).isEqualTo(bridge.of(step));
    }
    assertThat(bridge.plus(Bridge.NONE)).isEqualTo(bridge);
    assertThat(bridge.plus(bridge).after()).isEqualTo(2 * after);
  }

  @Test
  void bridge_ofTwoSourcesOrBackwards_isRefused() {
    DealSnapshot other = of("other", "2026-12-01", List.of());
    assertThatIllegalArgumentException()
        .isThrownBy(() -> Bridge.between(october(), other, quarter()));
    assertThatIllegalArgumentException()
        .isThrownBy(() -> Bridge.between(november(), october(), quarter()));
    assertThatIllegalArgumentException()
        .isThrownBy(
            () ->
                snapshot(
                    "2026-10-15",
                    List.of(
                        deal("A", "U1", 1, 0, "2026-10", State.OPEN),
                        deal("a", "U2", 1, 0, "2026-10", State.OPEN))))
        .withMessageContaining("must be there once");
    assertThatIllegalArgumentException()
        .isThrownBy(() -> deal("A", "U1", -1, 0, "2026-10", State.OPEN));
    assertThatIllegalArgumentException()
        .isThrownBy(() -> deal("A", "U1", 1, 101, "2026-10", State.OPEN));
    assertThatIllegalArgumentException()
        .isThrownBy(() -> deal(" ", "U1", 1, 1, "2026-10", State.OPEN));
  }

  @ParameterizedTest
  @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8})
  void anyTwoSnapshots_bridgeAddsUp_andSumsAreThoseOfAPlainLoop(long seed) {
    Random random = new Random(seed);
    DealSnapshot former = snapshot("2026-10-15", random(random));
    DealSnapshot latter = snapshot("2026-11-03", random(random));
    for (int rep = -1; rep < 4; rep++) {
      DealScope scope = rep < 0 ? quarter() : quarter().of(Axis.REP, rep);
      Bridge bridge = Bridge.between(former, latter, scope);
      long after = bridge.before();
      for (Step step : Step.values()) {
        after += step.isAdding() ? bridge.of(step) : -bridge.of(step);
      }
      assertThat(after).isEqualTo(bridge.after());
      assertThat(after).isEqualTo(OpenDeals.total(List.of(latter), scope).open());
    }
    OpenDeals.ByPlace sums = OpenDeals.of(List.of(latter), quarter(), Axis.REP, null);
    Map<Integer, Ratio> weighted = new TreeMap<>();
    for (int at = 0; at < latter.size(); at++) {
      Deal deal = latter.deal(at);
      if (deal.state() == State.OPEN
          && deal.month() >= month("2026-11")
          && deal.month() <= month("2026-12")) {
        Ratio part = Ratio.of(deal.amounts()[0]).times(Ratio.of(deal.likelihood(), Deal.CERTAIN));
        weighted.merge(deal.rep(), part, Ratio::plus);
      }
    }
    weighted.forEach((rep, sum) -> assertThat(sums.of(rep).weighted()).isEqualTo(sum));
    assertThat(sums.total().weighted()).isEqualTo(Ratio.sum(weighted.values().stream()));
    for (OpenDeals deals : sums.places().values()) {
      assertThat(deals.weighted()).isBetween(Ratio.ZERO, Ratio.of(deals.open()));
      Outlook outlook = new Outlook(reading(random.nextInt(1000), Goal.MISSING), false, deals);
      assertThat(outlook.expected()).isBetween(outlook.reading().actual(), outlook.atBest());
    }
  }

  private List<Deal> random(Random random) {
    List<Deal> deals = new ArrayList<>();
    for (int key = 0; key < 300; key++) {
      if (random.nextInt(5) > 0) {
        boolean isLarge = random.nextInt(20) == 0;
        deals.add(
            new Deal(
                key + 2,
                "D" + key,
                random.nextInt(4),
                Members.NONE,
                Members.NONE,
                random.nextInt(Deal.CERTAIN + 1),
                month("2026-08") + random.nextInt(8),
                State.values()[random.nextInt(6) % 3],
                null,
                new long[] {
                  isLarge ? 900_000_000_000_000L + random.nextInt(9) : random.nextInt(100_000)
                }));
      }
    }
    return deals;
  }
}
