package zealoustarget.core.commission;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import zealoustarget.core.amount.Direction;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.amount.Writing;
import zealoustarget.core.commission.PayHeadline.Line;
import zealoustarget.core.commission.Plans.Draft;
import zealoustarget.core.reading.Figures;
import zealoustarget.core.reading.Pace;

class PayHeadlineTest {
  private static Line rep(String name, Plan plan, long quota, long sales, Long due) {
    PayCurve curve = new PayCurve(plan, Ratio.of(quota), null, true);
    Pay pay = curve.at(sales);
    Pay.Next next = pay.next();
    return new Line(
        name,
        due == null ? Long.valueOf(pay.earned()) : due,
        pay.status(),
        next == null
            ? null
            : new PayHeadline.NextPay(plan.measure(), next.sales(), Ratio.of(quota), next.pay()));
  }

  private static Line rep(String name, long sales) {
    return rep(name, Plans.worked(), 10_000_000, sales, null);
  }

  private static String of(Line... reps) {
    return PayHeadline.of("October 2026", List.of(reps), "EUR", null, new Figures(Writing.NONE))
        .replace('\u202f', ' ');
  }

  @Test
  void saysWhatIsPaid_whoStaysUnder_andWhoIsNearest() {
    assertThat(of(rep("Ada", 12_000_000), rep("Bo", 6_000_000), rep("Rurik", 9_999_000)))
        .isEqualTo(
            "October 2026 pays 8 499.70 EUR to two reps. One is below the threshold (floor). A sale of"
                + " 10.00 EUR separates Rurik from 1 500.30 EUR.");
  }

  @Test
  void one_none_andAll_areSaidRight() {
    assertThat(of(rep("Ada", 12_000_000))).isEqualTo("October 2026 pays 5 500.00 EUR to one rep.");
    assertThat(of(rep("Ada", 100), rep("Bo", 100)))
        .isEqualTo("October 2026 pays nothing. All are below their threshold (floor).");
    assertThat(of())
        .isEqualTo("October 2026 pays no commission yet: no rep has a plan and a quota.");
    assertThat(of(rep("A", 1), rep("B", 1), rep("C", 12_000_000)))
        .contains("Two are below their threshold (floor).");
    assertThat(of(rep("Ada", Plans.worked(), 10_000_000, 11_000_000, -40_000L)))
        .isEqualTo("October 2026 recovers 400.00 EUR.");
  }

  @Test
  void runningMonth_isSaidSoFar_andPaysNothingYet() {
    Pace.Days days = new Pace.Days(14, 20);
    Figures figures = new Figures(Writing.NONE);
    assertThat(
            PayHeadline.of(
                "November 2026", List.of(rep("Ada", 100), rep("Bo", 100)), "EUR", days, figures))
        .isEqualTo(
            "November 2026, day 14 of 20: no pay is due so far. No rep has reached the threshold (floor) yet.");
    assertThat(
            PayHeadline.of(
                "November 2026",
                List.of(rep("Ada", 12_000_000), rep("Bo", 100)),
                "EUR",
                days,
                figures))
        .startsWith(
            "November 2026, day 14 of 20: 5\u202f500.00 EUR due so far, to one rep. One has")
        .doesNotContain("pays");
  }

  @Test
  void pieces_areLine() {
    Draft draft = new Draft();
    draft.measure = new Measure("units", "count", 0, Direction.HIGHER);
    draft.floor = null;
    draft.ceiling = null;
    draft.steps = List.of(Plans.step("0", "1"));
    assertThat(of(rep("Ada", draft.plan(), 100, 98, null)))
        .isEqualTo(
            "October 2026 pays 98.00 EUR to one rep. 2 more units would bring Ada 1 502.00 EUR.");
  }
}
