package zealoustarget.core.ledger;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.YearMonth;
import java.util.ArrayList;
import java.util.EnumMap;
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
import zealoustarget.core.ladder.Ladder;
import zealoustarget.core.ledger.columns.ActualBlock;
import zealoustarget.core.ledger.columns.GoalBook;
import zealoustarget.core.ledger.columns.Members;
import zealoustarget.core.ledger.columns.PairNumbers;
import zealoustarget.core.ledger.query.Basis;
import zealoustarget.core.ledger.query.Filters;
import zealoustarget.core.ledger.query.Grouped;
import zealoustarget.core.ledger.query.Narrowing;
import zealoustarget.core.ledger.query.SpanSheet;
import zealoustarget.core.ledger.query.StandingQuery;
import zealoustarget.core.member.Axis;
import zealoustarget.core.member.Member;
import zealoustarget.core.reading.Reading;
import zealoustarget.core.reading.Standing;
import zealoustarget.core.testing.Company;

class LedgerTest {
  private static final Measure REVENUE = new Measure("revenue", "EUR", 2, Direction.HIGHER);
  private static final int FIRST = Months.number(YearMonth.of(2025, 1));
  private static final int MONTHS = 24;
  private static final int REPS = 6;
  private static final int REGIONS = 3;
  private static final int PRODUCTS = 5;

  /** A row as plain as it can be, for the slow twin. */
  private record PlainRow(int month, int rep, int region, int product, long amount) {}

  private record World(Ledger ledger, List<PlainRow> rows, List<GoalBook.Cell> goals) {}

  @ParameterizedTest
  @ValueSource(longs = {41, 42, 43, 44, 45, 46})
  void standing_equalsItsSlowTwin_onEveryAxisAndFilter(long seed) {
    Random random = new Random(seed);
    World world = world(random);
    for (Axis axis : List.of(Axis.REP, Axis.REGION, Axis.PRODUCT, Axis.LINE, Axis.MANAGER)) {
      for (Filters filters : someFilters(random)) {
        Span span = someSpan(random);
        StandingQuery query = query(axis, span, new Basis.Set("quota"), filters);
        Standing standing = world.ledger().standing(query);
        for (Standing.Row row : standing.rows()) {
          assertThat(row.reading().actual())
              .as("seed %d, %s of %s", seed, row.member(), query)
              .isEqualTo(slowActual(world, query, span, row.member().id()));
        }
        assertLaws(world, query, standing);
      }
    }
  }

  /** Rows and the no-goal line make the total; variances add up. */
  private static void assertLaws(World world, StandingQuery query, Standing standing) {
    Ratio withGoal =
        standing.rows().stream()
            .filter(Standing.Row::hasGoal)
            .map(row -> row.reading().actual())
            .reduce(Ratio.ZERO, Ratio::plus);
    assertThat(withGoal.plus(standing.outside().noGoal()))
        .isEqualTo(standing.total().reading().actual());
    Ratio goals =
        standing.rows().stream()
            .filter(Standing.Row::hasGoal)
            .map(row -> row.reading().goalAmount())
            .reduce(Ratio.ZERO, Ratio::plus);
    if (standing.membersWithGoal() > 0) {
      assertThat(standing.total().reading().goalAmount()).isEqualTo(goals);
      Ratio variances =
          standing.rows().stream()
              .filter(Standing.Row::hasGoal)
              .map(row -> row.reading().variance())
              .reduce(standing.outside().noGoal(), Ratio::plus);
      assertThat(variances).isEqualTo(standing.total().reading().variance());
    }
    assertThat(sum(world.ledger().actualSources(query, null)))
        .isEqualTo(standing.total().reading().actual());
    for (Standing.Row row : standing.rows()) {
      assertThat(sum(world.ledger().actualSources(query, row.member().id())))
          .isEqualTo(row.reading().actual());
    }
  }

  @ParameterizedTest
  @ValueSource(longs = {71, 72, 73, 74})
  void groups_addUp_toTheirSubtotalsAndTheTotal(long seed) {
    Random random = new Random(seed);
    World world = world(random);
    for (Axis groupAxis : List.of(Axis.REGION, Axis.MANAGER, Axis.LINE)) {
      for (Basis basis : someBases()) {
        Axis axis = groupAxis == Axis.LINE ? Axis.PRODUCT : Axis.REP;
        StandingQuery query = query(axis, someSpan(random), basis, Filters.NONE);
        Grouped grouped = world.ledger().grouped(query, groupAxis);
        Reading total = world.ledger().total(query).reading();
        assertThat(grouped.whole().total().reading()).as("seed %d", seed).isEqualTo(total);
        Ratio subtotals = Ratio.ZERO;
        for (Standing group : grouped.groups()) {
          Reading subtotal = group.total().reading();
          subtotals = subtotals.plus(subtotal.actual());
          Ratio rows =
              group.rows().stream()
                  .map(row -> row.reading().actual())
                  .reduce(group.outside().unassigned(), Ratio::plus);
          assertThat(rows).isEqualTo(subtotal.actual());
          assertThat(group.outside().noGoal().plus(group.outside().assigned()))
              .isEqualTo(subtotal.actual());
        }
        assertThat(subtotals).isEqualTo(total.actual());
        assertThat(sumOfGoals(grouped.groups().stream().flatMap(g -> g.rows().stream()).toList()))
            .isEqualTo(basis instanceof Basis.Set ? sumOfGoals(standingRows(world, query)) : null);
      }
    }
  }

  private static List<Basis> someBases() {
    return List.of(new Basis.Set("quota"), Basis.NONE);
  }

  private static List<Standing.Row> standingRows(World world, StandingQuery query) {
    return world.ledger().standing(query).rows();
  }

  private static Ratio sumOfGoals(List<Standing.Row> rows) {
    return rows.stream()
        .map(row -> row.reading().goalAmount())
        .filter(java.util.Objects::nonNull)
        .reduce(Ratio::plus)
        .orElse(null);
  }

  @Test
  void groups_haveTheGoalOfTheirOwnAxis_andTheirRowsNone() {
    World world = world(new Random(12));
    Grouped grouped =
        world
            .ledger()
            .grouped(
                query(Axis.PRODUCT, allMonths(), new Basis.Set("quota"), Filters.NONE), Axis.REP);
    Standing reps =
        world.ledger().standing(query(Axis.REP, allMonths(), new Basis.Set("quota"), Filters.NONE));
    for (Standing.Row row : reps.rows()) {
      Standing.Row subtotal =
          grouped.whole().rows().stream()
              .filter(group -> group.member().equals(row.member()))
              .findFirst()
              .orElseThrow();
      assertThat(subtotal.reading()).isEqualTo(row.reading());
    }
    assertThat(grouped.whole().total().reading().goal()).isEqualTo(reps.total().reading().goal());
    assertThat(grouped.groups()).allSatisfy(group -> assertThat(group.membersWithGoal()).isZero());
  }

  @ParameterizedTest
  @ValueSource(longs = {81, 82, 83})
  void narrowing_makesTheTotalOfWhatIsKept_andSaysWhatIsLeftOut(long seed) {
    Random random = new Random(seed);
    World world = world(random);
    StandingQuery query = query(Axis.REP, someSpan(random), new Basis.Set("quota"), Filters.NONE);
    Standing all = world.ledger().standing(query);
    for (Narrowing narrowing : someNarrowings()) {
      Standing kept = world.ledger().standing(query.withNarrowing(narrowing));
      assertThat(kept.rows()).isSubsetOf(all.rows());
      assertThat(kept.rows().size() + kept.leftOut().members()).isEqualTo(all.rows().size());
      Ratio actual =
          kept.rows().stream().map(r -> r.reading().actual()).reduce(Ratio.ZERO, Ratio::plus);
      assertThat(kept.total().reading().actual()).as("seed %d", seed).isEqualTo(actual);
      assertThat(kept.total().reading().goalAmount()).isEqualTo(sumOfGoals(kept.rows()));
      assertThat(actual.plus(kept.leftOut().actual()).plus(all.outside().unassigned()))
          .isEqualTo(all.total().reading().actual());
      Grouped grouped = world.ledger().grouped(query.withNarrowing(narrowing), Axis.MANAGER);
      assertThat(grouped.whole().leftOut().members())
          .isEqualTo(
              world.ledger().grouped(query, Axis.MANAGER).groups().stream()
                      .mapToInt(group -> group.rows().size())
                      .sum()
                  - grouped.groups().stream().mapToInt(group -> group.rows().size()).sum());
    }
  }

  private static List<Narrowing> someNarrowings() {
    return List.of(
        Narrowing.to(Set.of(1, 3)),
        new Narrowing("REP 2", Set.of(), Set.of(), null, null, null, null),
        new Narrowing("", Set.of(), Set.of("behind"), null, null, null, null),
        new Narrowing("", Set.of(), Set.of("no goal"), null, null, null, null),
        new Narrowing("", Set.of(), Set.of(), Ratio.of(100_00), null, null, null),
        new Narrowing("", Set.of(), Set.of(), null, Ratio.of(1, 2), Ratio.of(3, 2), null),
        top(2, false),
        top(1, true),
        new Narrowing("no such name", Set.of(), Set.of(), null, null, null, null));
  }

  private static Narrowing top(int count, boolean isBottom) {
    return new Narrowing(
        "",
        Set.of(),
        Set.of(),
        null,
        null,
        null,
        new Narrowing.Top(count, isBottom, Narrowing.By.VARIANCE));
  }

  @Test
  void topAndBottom_areTheBestAndTheWorst() {
    Ledger ledger = Company.ofReps("2026-10", "A 50/100", "B 99/100", "C 120/100", "D 5/-");
    StandingQuery query = Company.query(Axis.REP, Company.REVENUE, "2026-10", "2026-10", "quota");
    assertThat(ledger.standing(query.withNarrowing(top(2, false))).rows())
        .extracting(row -> row.member().key())
        .containsExactly("B", "C");
    assertThat(ledger.standing(query.withNarrowing(top(1, true))).rows())
        .extracting(row -> row.member().key())
        .containsExactly("A");
  }

  @ParameterizedTest
  @ValueSource(longs = {91, 92})
  void sheet_addsUpBothWays(long seed) {
    Random random = new Random(seed);
    World world = world(random);
    for (Narrowing narrowing : List.of(Narrowing.NONE, Narrowing.to(Set.of(0, 2)))) {
      StandingQuery query =
          query(Axis.REP, someSpan(random), new Basis.Set("quota"), Filters.NONE)
              .withNarrowing(narrowing);
      SpanSheet sheet = world.ledger().sheet(query);
      Ratio down =
          sheet.months().stream()
              .map(month -> month.total().reading().actual())
              .reduce(Ratio.ZERO, Ratio::plus);
      assertThat(down).isEqualTo(sheet.whole().total().reading().actual());
      for (Standing.Row row : sheet.whole().rows()) {
        Ratio across =
            sheet.months().stream()
                .flatMap(month -> month.rows().stream())
                .filter(cell -> cell.member().equals(row.member()))
                .map(cell -> cell.reading().actual())
                .reduce(Ratio.ZERO, Ratio::plus);
        assertThat(across).isEqualTo(row.reading().actual());
      }
    }
  }

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

  @ParameterizedTest
  @ValueSource(longs = {51, 52, 53})
  void spans_addUp_overTheirMonths(long seed) {
    World world = world(new Random(seed));
    Span year = Span.ending(Months.of(FIRST + MONTHS - 1), 12);
    StandingQuery query = query(Axis.REGION, year, new Basis.Set("quota"), Filters.NONE);
    Ratio months =
        year.months().stream()
            .map(month -> world.ledger().total(query.withSpan(Span.of(month))).reading().actual())
            .reduce(Ratio.ZERO, Ratio::plus);
    assertThat(months).isEqualTo(world.ledger().total(query).reading().actual());
  }

  @ParameterizedTest
  @ValueSource(longs = {61, 62})
  void orderOfRowsAndLoads_isIrrelevant(long seed) {
    World world = world(new Random(seed));
    List<ActualBlock> turned = new ArrayList<>(world.ledger().blocks());
    java.util.Collections.reverse(turned);
    Ledger other =
        new Ledger(
            world.ledger().members(), turned, List.copyOf(world.ledger().goalBooks().values()));
    StandingQuery query =
        query(Axis.REP, someSpan(new Random(seed)), new Basis.PriorPeriod(Ratio.ONE), Filters.NONE);
    assertThat(other.standing(query)).isEqualTo(world.ledger().standing(query));
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

  private static List<Integer> lines(Ledger ledger, Span span, Basis basis, Integer member) {
    return ledger.goalSources(query(Axis.REP, span, basis, Filters.NONE), member).stream()
        .map(Ledger.Source::line)
        .toList();
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

  private static Ratio slowActual(World world, StandingQuery query, Span span, int member) {
    Members members = world.ledger().members();
    long sum = 0;
    for (PlainRow row : world.rows()) {
      boolean isIn =
          span.contains(Months.of(row.month()))
              && slowPlace(row, query.axis(), members) == member
              && query.filters().kept().entrySet().stream()
                  .allMatch(f -> f.getValue().contains(slowPlace(row, f.getKey(), members)));
      sum += isIn ? row.amount() : 0;
    }
    return Ratio.of(sum);
  }

  private static int slowPlace(PlainRow row, Axis axis, Members members) {
    return switch (axis) {
      case REP -> row.rep();
      case PRODUCT -> row.product();
      case LINE -> members.lineOf(row.product(), row.month());
      case MANAGER -> members.managerOf(row.rep(), row.month());
      case REGION -> row.region() >= 0 ? row.region() : members.regionOf(row.rep(), row.month());
      case COMPANY -> 0;
    };
  }

  private static Ratio sum(List<Ledger.Source> sources) {
    return Ratio.of(sources.stream().mapToLong(Ledger.Source::amount).sum());
  }

  private static World world(Random random) {
    List<PlainRow> rows = new ArrayList<>();
    List<ActualBlock> blocks = new ArrayList<>();
    for (int load = 1; load <= 3; load++) {
      ActualBlock.Builder block = new ActualBlock.Builder(load, List.of("units", "revenue"));
      for (int line = 2; line < 120; line++) {
        PlainRow row =
            new PlainRow(
                FIRST + random.nextInt(MONTHS),
                random.nextInt(REPS + 1) - 1,
                random.nextInt(4) == 0 ? 10 + random.nextInt(REGIONS) : -1,
                random.nextInt(3) == 0 ? -1 : 20 + random.nextInt(PRODUCTS),
                random.nextInt(200_001) - 50_000);
        rows.add(row);
        block.add(line, row.month(), row.rep(), row.region(), row.product(), 1, row.amount());
      }
      blocks.add(block.build());
    }
    List<GoalBook.Cell> goals = new ArrayList<>();
    for (int rep = 0; rep < REPS - 1; rep++) {
      for (int month = FIRST; month < FIRST + MONTHS; month += 1 + random.nextInt(2)) {
        goals.add(
            new GoalBook.Cell("revenue", month, rep, random.nextInt(90_000), 9, goals.size() + 2));
      }
    }
    GoalBook book = GoalBook.of("quota", Axis.REP, goals);
    return new World(new Ledger(members(), blocks, List.of(book)), rows, goals);
  }

  private static Members members() {
    Map<Axis, List<Member>> members = new EnumMap<>(Axis.class);
    members.put(Axis.REP, some("rep", 0, REPS));
    members.put(Axis.REGION, some("region", 10, REGIONS));
    members.put(Axis.PRODUCT, some("product", 20, PRODUCTS));
    members.put(Axis.LINE, some("line", 30, 2));
    members.put(Axis.MANAGER, some("manager", 40, 2));
    List<Members.RosterAssignment> stays = new ArrayList<>();
    for (int rep = 0; rep < REPS; rep++) {
      stays.add(
          new Members.RosterAssignment(rep, FIRST + rep, null, 10 + rep % REGIONS, 40 + rep % 2));
      if (rep % 2 == 0) {
        stays.add(
            new Members.RosterAssignment(
                rep, FIRST + 12, null, 10 + (rep + 1) % REGIONS, 40 + (rep + 1) % 2));
      }
    }
    return new Members(members, stays, Map.of(20, 30, 21, 30, 22, 31, 23, 31, 24, -1));
  }

  private static List<Member> some(String word, int firstId, int count) {
    List<Member> members = new ArrayList<>();
    for (int i = 0; i < count; i++) {
      members.add(new Member(firstId + i, word + i, word + " " + i));
    }
    return members;
  }

  private static List<Filters> someFilters(Random random) {
    return List.of(
        Filters.NONE,
        new Filters(Map.of(Axis.REGION, Set.of(10, 11))),
        new Filters(Map.of(Axis.MANAGER, Set.of(40), Axis.LINE, Set.of(30))),
        new Filters(Map.of(Axis.REP, Set.of(random.nextInt(REPS)))));
  }

  private static Span someSpan(Random random) {
    int from = random.nextInt(MONTHS - 1);
    return new Span(
        Months.of(FIRST + from), Months.of(FIRST + from + random.nextInt(MONTHS - from)));
  }

  private static Span allMonths() {
    return new Span(Months.of(FIRST), Months.of(FIRST + MONTHS - 1));
  }

  private static StandingQuery query(Axis axis, Span span, Basis basis, Filters filters) {
    return new StandingQuery(
        axis, REVENUE, span, basis, filters, Ladder.defaultOf(Direction.HIGHER));
  }
}
