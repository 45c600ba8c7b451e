package zealoustarget.core.ledger.overlay;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.calendar.Span;
import zealoustarget.core.commission.CreditShares;
import zealoustarget.core.commission.LedgerSales;
import zealoustarget.core.ladder.Ladder;
import zealoustarget.core.ledger.Ledger;
import zealoustarget.core.ledger.columns.LinesOfMonths;
import zealoustarget.core.ledger.query.Basis;
import zealoustarget.core.ledger.query.Filters;
import zealoustarget.core.ledger.query.StandingQuery;
import zealoustarget.core.ledger.visibility.LedgerVisibility;
import zealoustarget.core.member.Axis;
import zealoustarget.core.member.Member;
import zealoustarget.core.reading.Standing;
import zealoustarget.core.testing.Company;

class SealedMonthsTest {
  private static final int JULY = Months.number(YearMonth.of(2026, 7));
  private static final String[] MONTHS = {"2026-07", "2026-08", "2026-09"};

  private static Company random(Random random, String region) {
    Company company =
        new Company("revenue")
            .rep("A", "North", "M1", "2026-01")
            .rep("B", region, "M2", "2026-08")
            .product("P", "L");
    for (int line = 0; line < 30; line++) {
      company.sold(
          MONTHS[random.nextInt(3)],
          random.nextBoolean() ? "A" : "B",
          "P",
          random.nextInt(10_000) - 2_000L);
    }
    for (String month : MONTHS) {
      company.goal("quota", Axis.REP, "revenue", month, "A", random.nextInt(9_000));
    }
    return company;
  }

  private static Map<String, String> figures(Ledger ledger, Axis axis, int month) {
    StandingQuery query =
        new StandingQuery(
            axis,
            Company.REVENUE,
            Span.of(Months.of(month)),
            new Basis.Set("quota"),
            Filters.NONE,
            Ladder.defaultOf(Company.REVENUE.direction()));
    Map<String, String> figures = new TreeMap<>();
    Standing standing = ledger.standing(query);
    standing
        .rows()
        .forEach(
            row ->
                figures.put(
                    row.member().key(), row.reading().actual() + " of " + row.reading().goal()));
    figures.put("total", String.valueOf(standing.total().reading().actual()));
    return figures;
  }

  static LongStream seeds() {
    return LongStream.range(0, 40);
  }

  @ParameterizedTest
  @MethodSource("seeds")
  void sealedMonth_readsAsThen_andEveryOtherAsNow(long seed) {
    Random random = new Random(seed);
    Ledger then = random(random, "North").ledger();
    Ledger now = random(random, "South").ledger();
    int sealed = JULY + random.nextInt(3);
    Ledger read = SealedMonths.over(now, Map.of(sealed, then), LinesOfMonths.NONE);
    for (int month = JULY; month < JULY + 3; month++) {
      Ledger expected = month == sealed ? then : now;
      for (Axis axis : List.of(Axis.REP, Axis.REGION, Axis.MANAGER, Axis.COMPANY)) {
        assertThat(figures(read, axis, month))
            .as("seed %d, %s in %d", seed, axis, month)
            .isEqualTo(figures(expected, axis, month));
      }
    }
    assertThat(SealedMonths.isSame(read, then, sealed)).isTrue();
    assertThat(SealedMonths.isSame(now, then, sealed)).isFalse();
  }

  @Test
  void withoutSealedMonths_itIsTheSameLedger() {
    Ledger now = random(new Random(1), "South").ledger();
    assertThat(SealedMonths.over(now, Map.of(), LinesOfMonths.NONE)).isSameAs(now);
    assertThat(SealedMonths.isSame(now, now, JULY)).isTrue();
  }

  @Test
  void productThatChangesItsLine_leavesSealedMonthsAsTheyWere_alsoNarrowed() {
    Company company =
        new Company("revenue")
            .rep("A", "North", "M1", "2026-01")
            .product("P", "rope")
            .product("Q", "paint")
            .sold("2026-07", "A", "P", 700)
            .sold("2026-08", "A", "P", 800)
            .sold("2026-08", "A", "Q", 80);
    int moved = company.id(Axis.PRODUCT, "Q");
    Ledger now = company.ledger();
    Member tar = new Member(99, "tar", "tar");
    Ledger read =
        SealedMonths.over(
            now,
            Map.of(),
            new LinesOfMonths(Map.of(JULY + 1, Map.of(moved, tar.id())), List.of(tar)));
    assertThat(figures(read, Axis.LINE, JULY + 1))
        .isEqualTo(Map.of("rope", "800 of Missing[]", "tar", "80 of Missing[]", "total", "880"));
    assertThat(figures(read, Axis.LINE, JULY)).isEqualTo(figures(now, Axis.LINE, JULY));
    assertThat(figures(LedgerVisibility.byRep(read, "A"), Axis.LINE, JULY + 1))
        .containsEntry("tar", "80 of Missing[]");
    assertThat(read.members().placeOf(Axis.PRODUCT, moved, JULY + 1)).isEqualTo(tar);
    assertThat(read.members().placeOf(Axis.PRODUCT, moved, JULY + 2).key()).isEqualTo("paint");
  }

  @Test
  void sharedCredit_leavesTheSumOfAllReps() {
    Company company = random(new Random(5), "North");
    Ledger ledger = company.ledger();
    int a = company.id(Axis.REP, "A");
    int b = company.id(Axis.REP, "B");
    LedgerSales alone = new LedgerSales(ledger, List.of());
    LedgerSales shared =
        new LedgerSales(
            ledger,
            List.of(
                new LedgerSales.Shared(
                    a,
                    JULY + 1,
                    JULY + 1,
                    new CreditShares<>(Map.of(a, Ratio.of(1, 3), b, Ratio.of(2, 3))))));
    List<Long> differing = new ArrayList<>();
    for (int month = JULY; month < JULY + 3; month++) {
      assertThat(shared.sales("revenue", a, month) + shared.sales("revenue", b, month))
          .isEqualTo(alone.sales("revenue", a, month) + alone.sales("revenue", b, month));
      if (shared.sales("revenue", a, month) != alone.sales("revenue", a, month)) {
        differing.add((long) month);
      }
    }
    assertThat(differing).containsExactly(JULY + 1L);
    Ratio whole = alone.quota("quota", "revenue", a, JULY + 1);
    assertThat(shared.quota("quota", "revenue", a, JULY + 1).over().longValueExact())
        .isEqualTo(Math.round(whole.over().longValueExact() / 3.0));
    assertThat(alone.quota("quota", "revenue", b, JULY)).isNull();
    assertThat(alone.quota("nothing", "revenue", a, JULY)).isNull();
  }

  @Test
  void averageOrder_isTheSumByOrders_linesWithoutKeyBeingOrders() {
    Company company =
        new Company("revenue")
            .rep("A", "North", "M1", "2026-01")
            .sold("2026-07", "A", null, 1_000)
            .sold("2026-07", "A", null, 2_001)
            .sold("2026-09", "A", null, 5_000);
    assertThat(company.ledger().averageOrders("revenue", Company.span("2026-06", "2026-08")))
        .isEqualTo(Map.of(company.id(Axis.REP, "A"), 1_500L));
  }
}
