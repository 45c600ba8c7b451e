package zealoustarget.core.commission;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static zealoustarget.core.commission.Plans.cents;

import java.time.YearMonth;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.LongStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import tools.jackson.databind.JsonNode;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.calendar.FiscalCalendar;
import zealoustarget.core.calendar.FiscalCalendar.YearNamedBy;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.commission.PlanBook.Assignment;
import zealoustarget.core.commission.PlanBook.Version;
import zealoustarget.core.commission.Plans.Draft;
import zealoustarget.core.testing.Cases;

class EarningsTest {
  private static final FiscalCalendar JULY = new FiscalCalendar(7, YearNamedBy.END);
  private static final int JUL = Months.number(YearMonth.of(2026, 7));
  private static final int REP = 1;
  private static final String KEY = "R1";

  /** One rep's months, to be corrected. */
  private static final class Sold implements SalesBook {
    private final Map<Integer, Long> sales = new HashMap<>();
    private final Map<Integer, Long> quotas = new HashMap<>();
    private final Map<Integer, Long> limits = new HashMap<>();

    @Override
    public long sales(String measure, int rep, int month) {
      return sales.getOrDefault(month, 0L);
    }

    @Override
    public Ratio quota(String goalSet, String measure, int rep, int month) {
      Long amount =
          goalSet.equals("stock") ? limits.get(month) : quotas.getOrDefault(month, 10_000_000L);
      return amount == null ? null : Ratio.of(amount);
    }
  }

  private static Statement read(PlanBook plans, Sold sold, int month, List<Closed> closed) {
    Integer nextOpen =
        closed.isEmpty() ? null : closed.stream().mapToInt(Closed::month).max().orElse(0) + 1;
    return new Earnings(JULY, (rep, at) -> plans.terms(KEY, at), sold, "revenue", nextOpen)
        .statement(REP, month, closed);
  }

  private static PlanBook always(Plan plan) {
    return new PlanBook(
        List.of(new Version(plan, Integer.MIN_VALUE)),
        List.of(new Assignment(KEY, plan.name(), Integer.MIN_VALUE, null, List.of())));
  }

  private static Draft noCeiling(Plan.Window window, Plan.NegativeDue negative) {
    Draft draft = new Draft();
    draft.window = window;
    draft.negativeDue = negative;
    draft.floor = Plans.share("0.8");
    draft.ceiling = null;
    return draft;
  }

  static Stream<JsonNode> dues() {
    return Cases.read("commission").at("/core/dues").valueStream();
  }

  @ParameterizedTest
  @MethodSource("dues")
  void monthsClosedOneAfterTheOther_areDueAsWorkedOut(JsonNode worked) {
    Draft draft =
        noCeiling(
            Plans.word(Plan.Window.values(), worked.get("window").asString()),
            Plans.word(Plan.NegativeDue.values(), worked.get("negativeDue").asString()));
    PlanBook plans = always(draft.plan());
    Sold sold = new Sold();
    List<Closed> closed = new ArrayList<>();
    for (JsonNode month : worked.get("months")) {
      int at = Months.number(YearMonth.parse(month.get("month").asString()));
      sold.sales.put(at, cents(month.get("sales")));
      if (at == JUL + 2 && worked.get("what").asString().startsWith("July corrected")) {
        sold.sales.put(JUL, 11_000_000L);
      }
      Statement statement = read(plans, sold, at, closed);
      assertThat(statement.earned()).as("%s", month).isEqualTo(cents(month.get("earned")));
      assertThat(statement.due()).as("%s", month).isEqualTo(cents(month.get("due")));
      List<String> lines = new ArrayList<>(List.of("month " + statement.part()));
      statement.adjustments().forEach(a -> lines.add("adjustment " + a.amount()));
      assertThat(lines)
          .isEqualTo(
              month
                  .get("lines")
                  .valueStream()
                  .map(l -> l.get("kind").asString() + " " + cents(l.get("amount")))
                  .toList());
      closed.add(statement.toClosed());
    }
  }

  static LongStream seeds() {
    return LongStream.range(0, 80);
  }

  @ParameterizedTest
  @MethodSource("seeds")
  void duesOfAWindow_addToWhatItsEndEarned_withCorrectionsInBetween(long seed) {
    Random random = new Random(seed);
    Draft draft = noCeiling(Plan.Window.values()[random.nextInt(3)], Plan.NegativeDue.RECOVER);
    PlanBook plans = always(draft.plan());
    Sold sold = new Sold();
    List<Closed> closed = new ArrayList<>();
    long dues = 0;
    int months = 12 + random.nextInt(12);
    for (int month = JUL; month < JUL + months; month++) {
      sold.sales.put(month, (long) random.nextInt(18_000_000) - 1_000_000);
      if (random.nextInt(3) == 0) {
        int corrected = JUL + random.nextInt(month - JUL + 1);
        sold.sales.merge(corrected, (long) random.nextInt(4_000_000) - 2_000_000, Long::sum);
      }
      if (random.nextInt(6) == 0) {
        sold.quotas.put(JUL + random.nextInt(month - JUL + 1), 9_000_000L);
      }
      Statement statement = read(plans, sold, month, closed);
      dues += statement.due();
      closed.add(statement.toClosed());
    }
    // what was sold up to now, had nothing been corrected in between
    long whole = 0;
    for (int month = JUL; month < JUL + months; month++) {
      Statement fresh = read(plans, sold, month, List.of());
      boolean isLast =
          month + 1 == JUL + months
              || read(plans, sold, month + 1, List.of()).windowFrom() != fresh.windowFrom();
      whole += isLast ? fresh.earned() : 0;
    }
    assertThat(dues).as("seed %d", seed).isEqualTo(whole);
  }

  @Test
  void correction_isSettledInTheNextOpenMonthOnly_andOnce() {
    PlanBook plans = always(Plans.worked());
    Sold sold = new Sold();
    sold.sales.put(JUL, 12_000_000L);
    List<Closed> closed = new ArrayList<>();
    closed.add(read(plans, sold, JUL, closed).toClosed());
    sold.sales.put(JUL, 11_000_000L);
    sold.sales.put(JUL + 1, 10_000_000L);
    assertThat(read(plans, sold, JUL + 2, closed).adjustments()).isEmpty();
    Statement august = read(plans, sold, JUL + 1, closed);
    assertThat(august.adjustments()).containsExactly(new Adjustment(JUL, JUL, 550_000, 500_000));
    assertThat(august.due()).isEqualTo(450_000 - 50_000);
    closed.add(august.toClosed());
    assertThat(read(plans, sold, JUL + 2, closed).adjustments()).isEmpty();
    sold.sales.put(JUL, 12_000_000L);
    assertThat(read(plans, sold, JUL + 2, closed).adjustments())
        .containsExactly(new Adjustment(JUL, JUL, 500_000, 550_000));
  }

  @Test
  void sealedMonth_keepsThePlanItWasPaidBy() {
    Sold sold = new Sold();
    sold.sales.put(JUL, 12_000_000L);
    List<Closed> closed = List.of(read(always(Plans.worked()), sold, JUL, List.of()).toClosed());
    Draft dearer = new Draft();
    dearer.bonus = 900_000;
    Statement august = read(always(dearer.plan()), sold, JUL + 1, closed);
    assertThat(august.adjustments()).isEmpty();
    sold.sales.put(JUL, 11_000_000L);
    assertThat(read(always(dearer.plan()), sold, JUL + 1, closed).adjustments())
        .containsExactly(new Adjustment(JUL, JUL, 550_000, 500_000));
  }

  @Test
  void changeOfPlanInMidWindow_splitsAtTheMonth() {
    Draft draft = noCeiling(Plan.Window.YEAR, Plan.NegativeDue.RECOVER);
    Draft later = noCeiling(Plan.Window.YEAR, Plan.NegativeDue.RECOVER);
    later.bonus = 0;
    PlanBook plans =
        new PlanBook(
            List.of(new Version(draft.plan(), JUL), new Version(later.plan(), JUL + 2)),
            List.of(new Assignment(KEY, "worked", JUL, null, List.of())));
    Sold sold = new Sold();
    for (int month = JUL; month < JUL + 4; month++) {
      sold.sales.put(month, 10_000_000L);
    }
    assertThat(read(plans, sold, JUL + 1, List.of()).earned()).isEqualTo(600_000 + 150_000);
    Statement october = read(plans, sold, JUL + 3, List.of());
    assertThat(october.windowFrom()).isEqualTo(JUL + 2);
    assertThat(october.earned()).isEqualTo(600_000);
  }

  @Test
  void ramp_lowersTheFirstMonthsQuota_exactly() {
    PlanBook plans =
        new PlanBook(
            List.of(new Version(Plans.worked(), JUL)),
            List.of(
                new Assignment(KEY, "worked", JUL, null, List.of(Ratio.of(1, 3), Ratio.of(1, 2)))));
    Sold sold = new Sold();
    assertThat(read(plans, sold, JUL, List.of()).facts().quota())
        .isEqualTo(Ratio.of(10_000_000, 3));
    assertThat(read(plans, sold, JUL + 1, List.of()).facts().quota())
        .isEqualTo(Ratio.of(5_000_000));
    assertThat(read(plans, sold, JUL + 2, List.of()).facts().quota())
        .isEqualTo(Ratio.of(10_000_000));
  }

  @Test
  void withoutPlanOrQuota_nothingIsDue() {
    Sold sold = new Sold();
    sold.sales.put(JUL, 5_000_000L);
    Statement noPlan = read(PlanBook.EMPTY, sold, JUL, List.of());
    assertThat(noPlan.status()).isEqualTo(PayStatus.NO_PLAN);
    assertThat(noPlan.facts().sales()).isEqualTo(5_000_000L);
    assertThat(noPlan.due()).isNull();
    sold.quotas.put(JUL, 0L);
    Statement noQuota = read(always(Plans.worked()), sold, JUL, List.of());
    assertThat(noQuota.status()).isEqualTo(PayStatus.NO_QUOTA);
    assertThat(noQuota.earned()).isNull();
    assertThat(noQuota.due()).isNull();
  }

  @Test
  void ceilingOfASet_addsUpInTheWindow() {
    Draft draft = noCeiling(Plan.Window.QUARTER, Plan.NegativeDue.RECOVER);
    draft.ceiling = new Bound.OfSet("stock");
    Sold sold = new Sold();
    sold.limits.put(JUL, 9_000_000L);
    sold.limits.put(JUL + 1, 9_000_000L);
    sold.sales.put(JUL, 10_000_000L);
    sold.sales.put(JUL + 1, 10_000_000L);
    Statement august = read(always(draft.plan()), sold, JUL + 1, List.of());
    assertThat(august.status()).isEqualTo(PayStatus.AT_CEILING);
    assertThat(august.pay().credited()).isEqualTo(Ratio.of(18_000_000));
  }

  @Test
  void repInTwoPlansInOneMonth_isRefused_withTheMonth() {
    List<Version> versions = List.of(new Version(Plans.worked(), Integer.MIN_VALUE));
    List<Assignment> twice =
        List.of(
            new Assignment(KEY, "worked", JUL, JUL + 3, List.of()),
            new Assignment("r1", "Worked", JUL + 3, null, List.of()));
    assertThatThrownBy(() -> new PlanBook(versions, twice))
        .hasMessage("r1 would be in \"worked\" and \"Worked\" in 2026-10");
    assertThatThrownBy(
            () -> new PlanBook(List.of(), List.of(new Assignment(KEY, "x", 1, null, List.of()))))
        .hasMessageContaining("not a plan");
    assertThatThrownBy(() -> new Assignment(KEY, "x", 5, 4, List.of()))
        .hasMessage("ends before it begins");
    assertThatThrownBy(() -> new Assignment(KEY, "x", Integer.MIN_VALUE, null, List.of(Ratio.ONE)))
        .hasMessageContaining("begins");
    assertThatThrownBy(() -> new Assignment(KEY, "x", 5, null, List.of(Ratio.ZERO)))
        .hasMessageContaining("above 0");
  }

  @Test
  void planNotYetInForce_isNoPlan() {
    PlanBook plans =
        new PlanBook(
            List.of(new Version(Plans.worked(), JUL + 1)),
            List.of(new Assignment(KEY, "worked", JUL, null, List.of())));
    assertThat(plans.terms(KEY, JUL)).isNull();
    assertThat(plans.terms(KEY, JUL + 1)).isNotNull();
    assertThat(plans.terms("other", JUL + 1)).isNull();
  }
}
