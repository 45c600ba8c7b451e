package zealoustarget.core.ledger;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.YearMonth;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import zealoustarget.core.amount.Direction;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.calendar.Span;
import zealoustarget.core.ladder.Ladder;
import zealoustarget.core.ledger.columns.ActualBlock;
import zealoustarget.core.ledger.columns.GoalBook;
import zealoustarget.core.ledger.columns.Members;
import zealoustarget.core.ledger.query.Basis;
import zealoustarget.core.ledger.query.Filters;
import zealoustarget.core.ledger.query.Narrowing;
import zealoustarget.core.ledger.query.StandingQuery;
import zealoustarget.core.member.Axis;
import zealoustarget.core.member.Member;
import zealoustarget.core.reading.Standing;

/**
 * Random small companies with their rows written down plainly, and the slow twins of what a ledger
 * reads.
 */
abstract class LedgerWorlds {
  static final Measure REVENUE = new Measure("revenue", "EUR", 2, Direction.HIGHER);
  static final int FIRST = Months.number(YearMonth.of(2025, 1));
  static final int MONTHS = 24;
  static final int REPS = 6;
  static final int REGIONS = 3;
  static final int PRODUCTS = 5;

  /** A row as plain as it can be, for the slow twin. */
  record PlainRow(int month, int rep, int region, int product, long amount) {}

  record World(Ledger ledger, List<PlainRow> rows, List<GoalBook.Cell> goals) {}

  /** Rows and the no-goal line make the total; variances add up. */
  static void assertLaws(World world, StandingQuery query, Standing standing) {
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

  static List<Basis> someBases() {
    return List.of(new Basis.Set("quota"), Basis.NONE);
  }

  static List<Standing.Row> standingRows(World world, StandingQuery query) {
    return world.ledger().standing(query).rows();
  }

  static Ratio sumOfGoals(List<Standing.Row> rows) {
    return rows.stream()
        .map(row -> row.reading().goalAmount())
        .filter(java.util.Objects::nonNull)
        .reduce(Ratio::plus)
        .orElse(null);
  }

  static List<Narrowing> someNarrowings() {
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

  static Narrowing top(int count, boolean isBottom) {
    return new Narrowing(
        "",
        Set.of(),
        Set.of(),
        null,
        null,
        null,
        new Narrowing.Top(count, isBottom, Narrowing.By.VARIANCE));
  }

  static List<Integer> lines(Ledger ledger, Span span, Basis basis, Integer member) {
    return ledger.goalSources(query(Axis.REP, span, basis, Filters.NONE), member).stream()
        .map(Ledger.Source::line)
        .toList();
  }

  static Ratio slowActual(World world, StandingQuery query, Span span, int member) {
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

  static int slowPlace(PlainRow row, Axis axis, Members members) {
    return switch (axis) {
      case REP -> row.rep();
      case PRODUCT -> row.product();
      case LINE -> members.lineOf(row.product(), row.month());
      case MANAGER -> members.managerOf(row.rep(), row.month());
      case REGION -> row.region() >= 0 ? row.region() : members.regionOf(row.rep(), row.month());
      case COMPANY -> 0;
    };
  }

  static Ratio sum(List<Ledger.Source> sources) {
    return Ratio.of(sources.stream().mapToLong(Ledger.Source::amount).sum());
  }

  static World world(Random random) {
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

  static Members members() {
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

  static List<Member> some(String word, int firstId, int count) {
    List<Member> members = new ArrayList<>();
    for (int i = 0; i < count; i++) {
      members.add(new Member(firstId + i, word + i, word + " " + i));
    }
    return members;
  }

  static List<Filters> someFilters(Random random) {
    return List.of(
        Filters.NONE,
        new Filters(Map.of(Axis.REGION, Set.of(10, 11))),
        new Filters(Map.of(Axis.MANAGER, Set.of(40), Axis.LINE, Set.of(30))),
        new Filters(Map.of(Axis.REP, Set.of(random.nextInt(REPS)))));
  }

  static Span someSpan(Random random) {
    int from = random.nextInt(MONTHS - 1);
    return new Span(
        Months.of(FIRST + from), Months.of(FIRST + from + random.nextInt(MONTHS - from)));
  }

  static Span allMonths() {
    return new Span(Months.of(FIRST), Months.of(FIRST + MONTHS - 1));
  }

  static StandingQuery query(Axis axis, Span span, Basis basis, Filters filters) {
    return new StandingQuery(
        axis, REVENUE, span, basis, filters, Ladder.defaultOf(Direction.HIGHER));
  }
}
