package zealoustarget.core.ledger;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import zealoustarget.core.Refusal;
import zealoustarget.core.amount.Direction;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.calendar.Span;
import zealoustarget.core.ledger.columns.ActualBlock;
import zealoustarget.core.ledger.columns.GoalBook;
import zealoustarget.core.ledger.columns.Members;
import zealoustarget.core.ledger.columns.PairNumbers;
import zealoustarget.core.ledger.query.Basis;
import zealoustarget.core.ledger.query.Filters;
import zealoustarget.core.ledger.query.StandingQuery;
import zealoustarget.core.member.Axis;
import zealoustarget.core.member.Member;
import zealoustarget.core.reading.Reading;
import zealoustarget.core.reading.Standing;
import zealoustarget.core.testing.Company;

/** Breakdowns, places, sources and goals of a ledger. */
class LedgerPartsTest extends LedgerWorlds {
  @ParameterizedTest
  @ValueSource(longs = {101, 102, 103, 104})
  void breakdown_partsAddToExactlyTheWhole(long seed) {
    Random random = new Random(seed);
    World world = world(random);
    List<Basis> bases =
        List.of(
            new Basis.Set("quota"),
            new Basis.PriorYear(Ratio.of(11, 10)),
            new Basis.PriorPeriod(Ratio.ONE));
    int taken = 0;
    for (Basis basis : bases) {
      StandingQuery query = query(Axis.REP, someSpan(random), basis, Filters.NONE);
      for (Axis along : List.of(Axis.REP, Axis.REGION, Axis.PRODUCT, Axis.LINE, Axis.MANAGER)) {
        for (Integer member : java.util.Arrays.asList(null, 0, 3)) {
          Breakdown parts = Breakdown.of(world.ledger(), query, member, along);
          Standing.Row row =
              member == null ? world.ledger().total(query) : world.ledger().reading(query, member);
          if (parts != null) {
            taken++;
            assertThat(
                    parts.parts().stream()
                        .map(Breakdown.Part::variance)
                        .reduce(Ratio.ZERO, Ratio::plus))
                .as("seed %d, %s of %s by %s", seed, member, query, along)
                .isEqualTo(row.spoken().reading().variance())
                .isEqualTo(parts.whole());
          }
        }
      }
    }
    assertThat(taken).isGreaterThan(20);
  }

  @Test
  void breakdown_ofARate_isEachPartsEffect() {
    Measure returns = new Measure("returns", "EUR", 2, Direction.LOWER);
    Measure rate = Measure.rate("returnRate", returns, REVENUE, Direction.LOWER);
    Company company =
        new Company("returns", "revenue")
            .sold("2026-10", "A", "P1", 30_00, 1000_00)
            .sold("2026-10", "A", "P2", 0, 1000_00)
            .goal("limit", Axis.REP, "returnRate", "2026-10", "A", 1_000_000);
    StandingQuery query = Company.query(Axis.REP, rate, "2026-10", "2026-10", "limit");
    Breakdown parts =
        Breakdown.of(company.ledger(), query, company.id(Axis.REP, "A"), Axis.PRODUCT);
    assertThat(parts.split()).isEqualTo(Breakdown.Split.RATE_EFFECT);
    assertThat(parts.parts())
        .extracting(part -> rate.text(part.variance()))
        .containsExactly("0.01", "-0.005");
    assertThat(rate.text(parts.whole())).isEqualTo("0.005");
  }

  @Test
  void breakdown_withoutGoalOrInsideARange_isNone() {
    Company company =
        new Company("revenue")
            .sold("2026-10", "A", "P1", 150)
            .range("forecast", Axis.REP, "revenue", "2026-10", "A", 100, 200L);
    Ledger ledger = company.ledger();
    StandingQuery query = Company.query(Axis.REP, REVENUE, "2026-10", "2026-10", "forecast");
    assertThat(Breakdown.of(ledger, query, 0, Axis.PRODUCT)).isNull();
    StandingQuery aimless = Company.query(Axis.REP, REVENUE, "2026-10", "2026-10", null);
    assertThat(Breakdown.of(ledger, aimless, 0, Axis.PRODUCT)).isNull();
    StandingQuery shortOne = Company.query(Axis.REP, REVENUE, "2026-10", "2026-10", "quota");
    Ledger firstYear = Company.ofReps("2026-10", "A 5/100");
    assertThat(Breakdown.of(firstYear, shortOne, 0, Axis.PRODUCT)).isNull();
  }

  @Test
  void places_shareARank_andGoByDirection() {
    StandingQuery query = Company.query(Axis.REP, REVENUE, "2026-10", "2026-10", "quota");
    Ledger ledger = Company.ofReps("2026-10", "A 50/100", "B 120/100", "C 120/100", "D 5/-");
    assertThat(ledger.standing(query).places()).isEqualTo(Map.of(1, 1, 2, 1, 0, 3));
    Measure spend = new Measure("revenue", "EUR", 2, Direction.LOWER);
    assertThat(
            ledger.standing(Company.query(Axis.REP, spend, "2026-10", "2026-10", "quota")).places())
        .isEqualTo(Map.of(0, 1, 1, 2, 2, 2));
    Measure stock = new Measure("revenue", "EUR", 2, Direction.NEAREST);
    assertThat(
            ledger.standing(Company.query(Axis.REP, stock, "2026-10", "2026-10", "quota")).places())
        .isEqualTo(Map.of(1, 1, 2, 1, 0, 3));
    assertThat(
            ledger.standing(Company.query(Axis.REP, REVENUE, "2026-10", "2026-10", null)).places())
        .containsEntry(3, 4);
  }

  @Test
  void pairNumbers_areTheSameForTheSamePair_alsoBeyondTheirFirstRoom() {
    PairNumbers numbers = new PairNumbers();
    for (int round = 0; round < 2; round++) {
      for (int i = 0; i < 5_000; i++) {
        assertThat(numbers.of(i % 7 - 1, i)).isEqualTo(i);
      }
    }
    assertThat(numbers.size()).isEqualTo(5_000);
    assertThat(numbers.first(14)).isEqualTo(-1);
    assertThat(numbers.second(4_999)).isEqualTo(4_999);
    assertThat(numbers.of(3, -1)).isEqualTo(5_000);
    assertThat(numbers.second(5_000)).isEqualTo(-1);
  }

  @Test
  void derivedGoal_isTheEarlierActualTimesTheFactor_unrounded() {
    Members members = members();
    ActualBlock block =
        new ActualBlock.Builder(1, List.of("revenue"))
            .add(2, FIRST, 1, -1, -1, 79_91)
            .add(3, FIRST + 12, 1, -1, -1, 10)
            .build();
    Ledger ledger = new Ledger(members, List.of(block), List.of());
    Span later = Span.of(Months.of(FIRST + 12));
    Reading reading =
        ledger
            .reading(query(Axis.REP, later, new Basis.PriorYear(Ratio.of(12, 10)), Filters.NONE), 1)
            .reading();
    assertThat(REVENUE.text(reading.goalAmount())).isEqualTo("95.892");
    assertThat(reading.goalMonths()).isEqualTo(1);
    assertThat(
            ledger
                .reading(query(Axis.REP, later, new Basis.PriorPeriod(Ratio.ONE), Filters.NONE), 1)
                .reading()
                .goalAmount())
        .isNull();
  }

  @Test
  void goalSources_areTheGoalsCells_orTheRowsOfTheEarlierSpan() {
    ActualBlock block =
        new ActualBlock.Builder(1, List.of("revenue"))
            .add(2, FIRST, 1, -1, -1, 500)
            .add(3, FIRST + 11, 1, -1, -1, 70)
            .add(4, FIRST + 12, 1, -1, -1, 10)
            .build();
    GoalBook quota =
        GoalBook.of(
            "quota",
            Axis.REP,
            List.of(
                new GoalBook.Cell("revenue", FIRST + 12, 1, 900, 2, 7),
                new GoalBook.Cell("revenue", FIRST + 12, 2, 800, 2, 8)));
    Ledger ledger = new Ledger(members(), List.of(block), List.of(quota));
    Span later = Span.of(Months.of(FIRST + 12));
    assertThat(lines(ledger, later, new Basis.Set("quota"), 1)).containsExactly(7);
    assertThat(lines(ledger, later, new Basis.Set("quota"), null)).containsExactly(7, 8);
    assertThat(lines(ledger, later, new Basis.Set("none of ours"), null)).isEmpty();
    assertThat(lines(ledger, later, new Basis.PriorYear(Ratio.ONE), 1)).containsExactly(2);
    assertThat(lines(ledger, later, new Basis.PriorPeriod(Ratio.ONE), 1)).containsExactly(3);
    assertThat(ledger.hasActuals(query(Axis.REP, later, new Basis.Set("quota"), Filters.NONE)))
        .isTrue();
    assertThat(ledger.monthsWithActuals())
        .isEqualTo(new Span(Months.of(FIRST), Months.of(FIRST + 12)));
    Ledger empty = Ledger.empty();
    assertThat(empty.monthsWithActuals()).isNull();
    assertThat(empty.hasActuals(query(Axis.REP, later, new Basis.Set("quota"), Filters.NONE)))
        .isFalse();
    assertThat(empty.sums(Axis.REP, "revenue")).isEmpty();
  }

  @Test
  void goalsOfAnotherAxis_areNoGoal() {
    World world = world(new Random(7));
    Standing standing =
        world
            .ledger()
            .standing(query(Axis.REGION, allMonths(), new Basis.Set("quota"), Filters.NONE));
    assertThat(standing.membersWithGoal()).isZero();
    assertThat(standing.total().reading().goalAmount()).isNull();
  }

  @Test
  void goal_outOfTheFilter_isLeftOut_alsoWhereAFilterCannotSplitIt() {
    World world = world(new Random(8));
    Filters oneProduct = new Filters(Map.of(Axis.PRODUCT, Set.of(20)));
    Standing standing =
        world.ledger().standing(query(Axis.REP, allMonths(), new Basis.Set("quota"), oneProduct));
    assertThat(standing.membersWithGoal()).isZero();
  }

  @Test
  void laterGoalCell_replacesTheEarlier() {
    GoalBook.Cell first = new GoalBook.Cell("revenue", FIRST, 1, 100, 1, 2);
    GoalBook.Cell second = new GoalBook.Cell("revenue", FIRST, 1, 300, 2, 9);
    assertThat(GoalBook.of("quota", Axis.REP, List.of(first, second)).cells())
        .containsExactly(second);
  }

  @Test
  void stays_laterEndsTheOpenOneBefore_closedOnesStayClosed() {
    Map<Axis, List<Member>> reps = Map.of(Axis.REP, List.of(new Member(0, "A", "A")));
    Members members =
        new Members(
            reps,
            List.of(
                new Members.RosterAssignment(0, FIRST, null, 1, 5),
                new Members.RosterAssignment(0, FIRST + 3, FIRST + 4, 2, 6)),
            Map.of());
    assertThat(members.regionOf(0, FIRST - 1)).isEqualTo(Members.NONE);
    assertThat(members.regionOf(0, FIRST + 2)).isEqualTo(1);
    assertThat(members.regionOf(0, FIRST + 3)).isEqualTo(2);
    assertThat(members.managerOf(0, FIRST + 4)).isEqualTo(6);
    assertThat(members.regionOf(0, FIRST + 5)).isEqualTo(Members.NONE);
    assertThat(members.isOnRoster(0, FIRST + 5)).isFalse();
  }

  @Test
  void sumsBeyondALong_areRefusedBeforeTheyAreInForce() {
    ActualBlock.Builder block = new ActualBlock.Builder(1, List.of("revenue"));
    for (int i = 0; i < 5; i++) {
      block.add(i + 2, FIRST, 1, -1, -1, Long.MAX_VALUE / 2 - 1);
    }
    Ledger ledger = new Ledger(members(), List.of(block.build()), List.of());
    assertThatThrownBy(ledger::checkSums)
        .isInstanceOf(Refusal.class)
        .hasMessageContaining("revenue");
  }
}
