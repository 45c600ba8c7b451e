package zealoustarget.core.ledger;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.ledger.Corrections.Place;
import zealoustarget.core.ledger.columns.ActualBlock;
import zealoustarget.core.ledger.columns.Members;
import zealoustarget.core.ledger.query.StandingQuery;
import zealoustarget.core.member.Axis;
import zealoustarget.core.member.Member;
import zealoustarget.core.reading.Standing;
import zealoustarget.core.testing.Company;

/** As closed and restated; docs/calculations.md, section 2. */
class CorrectionsTest {
  private static final int JULY = Months.number(YearMonth.of(2026, 7));
  private static final int AUGUST = JULY + 1;

  private static Members members(int regionOfB) {
    return new Members(
        Map.of(
            Axis.REP,
            List.of(new Member(0, "A", "A"), new Member(1, "B", "B")),
            Axis.REGION,
            List.of(new Member(5, "North", "North"), new Member(6, "South", "South"))),
        List.of(
            new Members.RosterAssignment(0, JULY - 12, null, 5, -1),
            new Members.RosterAssignment(1, JULY - 12, null, regionOfB, -1)),
        Map.of());
  }

  private static ActualBlock block(int load, long[]... rows) {
    ActualBlock.Builder block = new ActualBlock.Builder(load, List.of("revenue"));
    int line = 1;
    for (long[] row : rows) {
      block.add(++line, (int) row[0], (int) row[1], -1, -1, row[2]);
    }
    return block.build();
  }

  private static StandingQuery query(Axis axis) {
    return Company.query(axis, Company.REVENUE, "2026-07", "2026-08", null);
  }

  @Test
  void lines_countWhereOnlyOneReadingHoldsThem() {
    ActualBlock closed = block(1, new long[] {JULY, 0, 100}, new long[] {JULY, 1, 50});
    ActualBlock late = block(2, new long[] {JULY, 0, 250}, new long[] {AUGUST, 0, 9});
    Ledger then = new Ledger(members(5), List.of(closed), List.of());
    Ledger now = new Ledger(members(5), List.of(closed, late), List.of());
    Corrections found = Corrections.between(then, now, Set.of(JULY), query(Axis.REP), null);
    assertThat(found.total()).as("August is not closed").isEqualTo(new Corrections.Sum(250, 1));
    assertThat(found.of(new Place(-1, 0))).isEqualTo(new Corrections.Sum(250, 1));
    assertThat(found.of(new Place(-1, 1))).isNull();
    assertThat(found.lines()).singleElement().extracting("loadId", "line").containsExactly(2, 2);
    assertThat(Corrections.between(then, now, Set.of(), query(Axis.REP), null).total())
        .isEqualTo(Corrections.Sum.NONE);
  }

  @Test
  void aLineThatChangesItsMember_countsInBothRows_andNotInTheTotal() {
    ActualBlock sold = block(1, new long[] {JULY, 1, 50}, new long[] {JULY, 1, 50});
    Ledger then = new Ledger(members(5), List.of(sold), List.of());
    Ledger now = new Ledger(members(6), List.of(sold), List.of());
    Corrections found = Corrections.between(then, now, Set.of(JULY), query(Axis.REGION), null);
    assertThat(found.of(new Place(-1, 5))).isEqualTo(new Corrections.Sum(-100, 2));
    assertThat(found.of(new Place(-1, 6))).isEqualTo(new Corrections.Sum(100, 2));
    assertThat(found.total()).isEqualTo(Corrections.Sum.NONE);
    assertThat(found.lines(place -> place.member() == 6)).hasSize(2);
    Corrections inGroups =
        Corrections.between(then, now, Set.of(JULY), query(Axis.REP), Axis.REGION);
    assertThat(inGroups.of(place -> place.group() == 5)).isEqualTo(new Corrections.Sum(-100, 2));
    assertThat(inGroups.of(new Place(6, 1))).isEqualTo(new Corrections.Sum(100, 2));
  }

  @Test
  void linesThatCancelOut_giveNothing_withTheirNumber() {
    Ledger then = new Ledger(members(5), List.of(block(1, new long[] {JULY, 0, 50})), List.of());
    Ledger now = new Ledger(members(5), List.of(block(2, new long[] {JULY, 0, 50})), List.of());
    assertThat(Corrections.between(then, now, Set.of(JULY), query(Axis.REP), null).total())
        .isEqualTo(new Corrections.Sum(0, 2));
  }

  @ParameterizedTest
  @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8})
  void law_totalAsClosedAndCorrections_areTheTotalRestated(long seed) {
    Random random = new Random(seed);
    List<ActualBlock> closed = new ArrayList<>();
    List<ActualBlock> now = new ArrayList<>();
    for (int load = 1; load < 7; load++) {
      long[][] rows = new long[1 + random.nextInt(4)][];
      for (int at = 0; at < rows.length; at++) {
        rows[at] =
            new long[] {
              JULY + random.nextInt(2), random.nextInt(3) - 1L, random.nextInt(900) - 200L
            };
      }
      ActualBlock one = block(load, rows);
      if (random.nextInt(3) > 0) {
        closed.add(one);
      }
      if (random.nextInt(3) > 0) {
        now.add(one);
      }
    }
    Ledger then = new Ledger(members(5), closed, List.of());
    Ledger restated = new Ledger(members(5 + random.nextInt(2)), now, List.of());
    for (Axis axis : List.of(Axis.REP, Axis.REGION, Axis.COMPANY)) {
      StandingQuery query = query(axis);
      Corrections found = Corrections.between(then, restated, Set.of(JULY, AUGUST), query, null);
      Ratio sum = total(then, query).plus(Ratio.of(found.total().actual()));
      assertThat(sum).as("seed %d, %s", seed, axis).isEqualTo(total(restated, query));
      for (Standing.Row row : then.standing(query).rows()) {
        Corrections.Sum own = found.of(new Place(-1, row.member().id()));
        Ratio moved = own == null ? Ratio.ZERO : Ratio.of(own.actual());
        assertThat(row.reading().actual().plus(moved))
            .as("seed %d, %s", seed, row.member())
            .isEqualTo(restated.reading(query, row.member().id()).reading().actual());
      }
    }
  }

  private static Ratio total(Ledger ledger, StandingQuery query) {
    return ledger.total(query).reading().actual();
  }

  @Test
  void lateSource_andWhoWaitsForIt() {
    int november = JULY + 4;
    List<ActualBlock> blocks = new ArrayList<>();
    for (int month = JULY + 1; month <= november; month++) {
      blocks.add(block(month, new long[] {month, 0, 10}));
      if (month < november) {
        blocks.add(block(1_000_000 + month, new long[] {month, 1, 20}));
      }
    }
    Ledger ledger = new Ledger(members(6), blocks, List.of());
    Map<Integer, String> sources = new java.util.HashMap<>();
    blocks.forEach(one -> sources.put(one.loadId(), one.loadId() < 1_000_000 ? "orders" : "south"));
    LateSources late = LateSources.of(ledger, sources, november);
    assertThat(late.loads().keySet()).containsExactly("south");
    assertThat(late.waiting(ledger, Axis.REP, Company.REVENUE, november))
        .isEqualTo(Map.of(1, Set.of("south")));
    assertThat(late.waiting(ledger, Axis.COMPANY, Company.REVENUE, november))
        .as("another source brings lines of it too")
        .isEmpty();
    assertThat(LateSources.of(ledger, sources, november - 1).loads())
        .as("its file of October has come")
        .isEmpty();
    assertThat(LateSources.of(ledger, Map.of(), november).loads()).isEmpty();
    assertThat(LateSources.of(ledger, sources, november + 1).loads().keySet())
        .as("a month without its file breaks the three in a row")
        .containsExactly("orders");
  }
}
