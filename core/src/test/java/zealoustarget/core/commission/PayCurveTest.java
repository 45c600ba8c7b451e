package zealoustarget.core.commission;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static zealoustarget.core.commission.Plans.amount;
import static zealoustarget.core.commission.Plans.cents;
import static zealoustarget.core.commission.Plans.share;
import static zealoustarget.core.commission.Plans.step;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.function.Consumer;
import java.util.stream.LongStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import tools.jackson.databind.JsonNode;
import zealoustarget.core.amount.Direction;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.commission.Pay.Component;
import zealoustarget.core.commission.Plans.Draft;
import zealoustarget.core.testing.Cases;

class PayCurveTest {
  private static final Ratio QUOTA = Ratio.of(10_000_000);

  static Stream<Arguments> worked() {
    List<Arguments> all = new ArrayList<>();
    for (JsonNode variant : Cases.read("commission").at("/core/pay")) {
      for (JsonNode sales : variant.get("cases")) {
        all.add(Arguments.of(variant.get("variant").asString(), variant, sales));
      }
    }
    return all.stream();
  }

  @ParameterizedTest(name = "{0}: {2}")
  @MethodSource("worked")
  void everyVariant_paysAsWorkedOut(String name, JsonNode variant, JsonNode expected) {
    PayCurve curve =
        new PayCurve(
            Plans.read(variant.get("plan")).plan(), Cases.cents(variant.get("quota")), null, true);
    Pay pay = curve.at(cents(expected.get("actual")));
    assertThat(pay.status().word()).isEqualTo(expected.get("status").asString());
    assertThat(pay.credited()).isEqualTo(Cases.cents(expected.get("credited")));
    assertThat(pay.earned()).isEqualTo(cents(expected.get("earned")));
    assertThat(pay.components().stream().map(c -> c.what() + " " + c.amount()))
        .isEqualTo(
            expected
                .get("components")
                .valueStream()
                .map(c -> c.get("what").asString() + " " + cents(c.get("amount")))
                .toList());
    if (expected.get("next").isNull()) {
      assertThat(pay.next()).isNull();
    } else {
      assertThat(pay.next().event().word()).isEqualTo(expected.at("/next/event").asString());
      assertThat(pay.next().sales()).isEqualTo(cents(expected.at("/next/sales")));
      assertThat(pay.next().pay()).isEqualTo(cents(expected.at("/next/pay")));
    }
  }

  private static Draft random(Random random) {
    Draft draft = new Draft();
    List<Step> steps = new ArrayList<>();
    int from = random.nextInt(3) * 25;
    for (int at = 0; at <= random.nextInt(4); at++) {
      steps.add(new Step(Ratio.of(from, 100), Ratio.of(1 + random.nextInt(900), 10_000)));
      from += 1 + random.nextInt(60);
    }
    draft.steps = steps;
    draft.bonus = random.nextBoolean() ? 0 : random.nextInt(500_000);
    draft.floor = random.nextInt(3) == 0 ? null : share("0." + (1 + random.nextInt(9)));
    draft.ceiling = random.nextInt(3) == 0 ? null : share("1." + (1 + random.nextInt(9)));
    draft.cap = random.nextInt(4) == 0 ? 1L + random.nextInt(900_000) : null;
    draft.paidFrom = Plan.PaidFrom.values()[random.nextInt(2)];
    return draft;
  }

  static LongStream seeds() {
    return LongStream.range(0, 60);
  }

  @ParameterizedTest
  @MethodSource("seeds")
  void slicedPay_neverFallsAsSalesRise_andItsPartsAddUp(long seed) {
    Random random = new Random(seed);
    PayCurve curve =
        new PayCurve(
            random(random).plan(), Ratio.of(1 + random.nextInt(20_000_000), 3), null, true);
    long before = 0;
    for (long sales = -50_000; sales < 15_000_000; sales += 1 + random.nextInt(200_000)) {
      Pay pay = curve.at(sales);
      assertThat(pay.earned()).as("seed %d, sales %d", seed, sales).isGreaterThanOrEqualTo(before);
      assertThat(pay.components().stream().mapToLong(Component::amount).sum() - pay.capped())
          .isEqualTo(pay.earned());
      assertThat(curve.earnedAt(sales)).isEqualTo(pay.earned());
      before = pay.earned();
    }
  }

  @ParameterizedTest
  @MethodSource("seeds")
  void next_isTheFirstPlaceWhereItHappens_andSaysWhatItPays(long seed) {
    Random random = new Random(seed);
    Draft draft = random(random);
    draft.method = Plan.Method.values()[random.nextInt(2)];
    PayCurve curve =
        new PayCurve(draft.plan(), Ratio.of(1 + random.nextInt(20_000_000), 3), null, true);
    for (int round = 0; round < 40; round++) {
      long sales = random.nextInt(12_000_000);
      Pay pay = curve.at(sales);
      if (pay.next() == null) {
        continue;
      }
      long there = sales + pay.next().sales();
      assertThat(pay.next().sales()).isPositive();
      assertThat(pay.earned() + pay.next().pay()).isEqualTo(curve.earnedAt(there));
      // one unit short of it nothing has happened: same status, same event
      Pay shy = curve.at(there - 1);
      assertThat(shy.status()).isEqualTo(pay.status());
      assertThat(shy.next().event()).isEqualTo(pay.next().event());
      assertThat(shy.next().sales()).isEqualTo(1);
    }
  }

  @Test
  void corners_standBeforeAndAtEachBound() {
    PayCurve curve = new PayCurve(Plans.worked(), QUOTA, null, true);
    assertThat(curve.corners(16_000_000))
        .containsExactly(
            new PayCurve.Point(0, 0),
            new PayCurve.Point(7_999_999, 0),
            new PayCurve.Point(8_000_000, 240_000),
            new PayCurve.Point(9_999_999, 300_000),
            new PayCurve.Point(10_000_000, 450_000),
            new PayCurve.Point(14_999_999, 700_000),
            new PayCurve.Point(15_000_000, 700_000),
            new PayCurve.Point(16_000_000, 700_000));
  }

  @Test
  void bonusOfTheLastMonth_isNotEarnedBefore() {
    Draft draft = new Draft();
    draft.bonusPaid = Plan.BonusPaid.LAST_MONTH;
    assertThat(new PayCurve(draft.plan(), QUOTA, null, false).earnedAt(10_000_000))
        .isEqualTo(300_000);
    assertThat(new PayCurve(draft.plan(), QUOTA, null, true).earnedAt(10_000_000))
        .isEqualTo(450_000);
  }

  @Test
  void ceilingOfASet_holdsWhereItGivesOne() {
    Draft draft = new Draft();
    draft.ceiling = new Bound.OfSet("stock");
    PayCurve limited = new PayCurve(draft.plan(), QUOTA, Ratio.of(9_000_000), true);
    assertThat(limited.at(9_500_000).status()).isEqualTo(PayStatus.AT_CEILING);
    assertThat(limited.at(9_500_000).credited()).isEqualTo(Ratio.of(9_000_000));
    PayCurve open = new PayCurve(draft.plan(), QUOTA, null, true);
    assertThat(open.at(19_000_000).status()).isEqualTo(PayStatus.ON_TARGET);
  }

  @Test
  void pieces_arePaidByTheRatePerPiece() {
    Draft draft = new Draft();
    draft.measure = new Measure("units", "count", 0, Direction.HIGHER);
    draft.floor = null;
    draft.ceiling = null;
    draft.bonus = 0;
    draft.steps = List.of(step("0", "1.25"));
    Pay pay = new PayCurve(draft.plan(), Ratio.of(100), null, true).at(7);
    assertThat(pay.earned()).isEqualTo(875);
  }

  @Test
  void quota_mustBeAboveZero() {
    assertThatThrownBy(() -> new PayCurve(Plans.worked(), Ratio.ZERO, null, true))
        .isInstanceOf(IllegalArgumentException.class);
  }

  static Stream<Arguments> faults() {
    return Stream.of(
        fault("steps", d -> d.steps = List.of()),
        fault("steps[1].from", d -> d.steps = List.of(step("1", "0.03"), step("1", "0.05"))),
        fault("steps[0].from", d -> d.steps = List.of(step("-1", "0.03"))),
        fault("steps[0].rate", d -> d.steps = List.of(step("0", "-0.03"))),
        fault("steps[0].rate", d -> d.steps = List.of(step("0", "3"))),
        fault("floor", d -> d.floor = d.ceiling),
        fault("floor", d -> d.floor = amount(0)),
        fault("floor", d -> d.floor = new Bound.OfSet("stock")),
        fault(
            "floor",
            d -> {
              d.floor = share("1.5");
              d.ceiling = share("1.5");
            }),
        fault("ceiling", d -> d.ceiling = share("0")),
        fault("bonus", d -> d.bonus = -1),
        fault("cap", d -> d.cap = 0L),
        fault(
            "measure",
            d -> d.measure = Measure.rate("share", d.measure, d.measure, Direction.HIGHER)),
        fault(
            "steps",
            d -> {
              d.steps = List.of(step("0", "0"));
              d.bonus = 0;
            }),
        fault(
            "steps",
            d -> {
              d.steps = List.of(step("1.2", "0.03"));
              d.bonus = 0;
              d.floor = null;
              d.ceiling = share("1.2");
            }));
  }

  private static Arguments fault(String part, Consumer<Draft> change) {
    return Arguments.of(part, change);
  }

  @ParameterizedTest(name = "{0}")
  @MethodSource("faults")
  void planThatCannotBe_isRefusedAtItsPart(String part, Consumer<Draft> change) {
    Draft draft = new Draft();
    change.accept(draft);
    assertThatThrownBy(draft::plan)
        .isInstanceOfSatisfying(PlanFault.class, fault -> assertThat(fault.part()).isEqualTo(part));
  }

  static Stream<JsonNode> shares() {
    return Cases.read("commission").at("/core/shares").valueStream();
  }

  @ParameterizedTest
  @MethodSource("shares")
  void shares_addToTheCent_orAreRefused(JsonNode worked) {
    java.util.Map<String, Ratio> shares = new java.util.HashMap<>();
    worked
        .get("shares")
        .properties()
        .forEach(s -> shares.put(s.getKey(), Cases.ratio(s.getValue())));
    if (worked.get("parts").isString()) {
      assertThatThrownBy(() -> new CreditShares<>(shares))
          .isInstanceOf(IllegalArgumentException.class)
          .hasMessageContaining("90 %");
      return;
    }
    java.util.Map<String, Long> parts =
        new CreditShares<>(shares).split(cents(worked.get("quota")));
    worked
        .get("parts")
        .properties()
        .forEach(p -> assertThat(parts.get(p.getKey())).isEqualTo(cents(p.getValue())));
    assertThat(parts.values().stream().mapToLong(Long::longValue).sum())
        .isEqualTo(cents(worked.get("quota")));
  }
}
