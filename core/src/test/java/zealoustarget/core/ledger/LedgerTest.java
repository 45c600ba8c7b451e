package zealoustarget.core.ledger;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.calendar.Span;
import zealoustarget.core.ledger.columns.ActualBlock;
import zealoustarget.core.ledger.query.Basis;
import zealoustarget.core.ledger.query.Filters;
import zealoustarget.core.ledger.query.Grouped;
import zealoustarget.core.ledger.query.Narrowing;
import zealoustarget.core.ledger.query.SpanSheet;
import zealoustarget.core.ledger.query.StandingQuery;
import zealoustarget.core.member.Axis;
import zealoustarget.core.reading.Reading;
import zealoustarget.core.reading.Standing;
import zealoustarget.core.testing.Company;

class LedgerTest extends LedgerWorlds {
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
}
