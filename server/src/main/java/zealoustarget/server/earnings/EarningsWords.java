package zealoustarget.server.earnings;

import java.math.RoundingMode;
import java.time.YearMonth;
import java.util.List;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.commission.Adjustment;
import zealoustarget.core.commission.Facts;
import zealoustarget.core.commission.Pay;
import zealoustarget.core.commission.PayCurve;
import zealoustarget.core.commission.PayStatus;
import zealoustarget.core.commission.Plan;
import zealoustarget.core.commission.Statement;
import zealoustarget.core.member.Member;
import zealoustarget.server.earnings.EarningsRow.AdjustmentPart;
import zealoustarget.server.earnings.EarningsRow.ComponentPart;
import zealoustarget.server.earnings.EarningsRow.NextPart;
import zealoustarget.server.earnings.EarningsRow.PointPart;
import zealoustarget.server.rules.PlanPart;

/** Puts statements into the form in which they travel. */
public final class EarningsWords {
  private static final Ratio BEYOND = Ratio.of(17, 10);

  static final String WITHOUT_PLAN_AND_QUOTA_ABOVE_SALES =
      "Without a plan and a quota above 0, sales earn no commission.";

  private EarningsWords() {}

  static EarningsRow row(
      Statement statement, Member rep, @Nullable Member region, Measure measure) {
    Plan plan = statement.terms() == null ? null : statement.terms().plan();
    Pay pay = statement.pay();
    Facts facts = statement.facts();
    PayCurve curve = statement.curve();
    return new EarningsRow(
        rep.key(),
        rep.name(),
        region == null ? null : region.name(),
        plan == null ? null : plan.name(),
        measure.code(),
        measure.unit(),
        exact(facts.quota(), measure),
        exact(statement.monthQuota(), measure),
        measure.text(facts.sales()),
        pay == null ? null : exact(pay.credited(), measure),
        notCredited(facts, pay, measure),
        statement.status().word(),
        tone(statement.status()),
        cents(statement.earned()),
        cents(statement.due()),
        pay == null ? List.of() : components(pay, measure),
        pay == null ? null : next(pay.next(), measure),
        Months.of(statement.windowFrom()).toString(),
        statement.closedThrough() == null ? null : Months.of(statement.closedThrough()).toString(),
        PlanPart.cents(statement.closed()),
        PlanPart.cents(statement.part()),
        statement.adjustments().stream().map(EarningsWords::adjustment).toList(),
        PlanPart.cents(statement.heldBefore()),
        PlanPart.cents(statement.held()),
        pay == null ? PlanPart.cents(0) : PlanPart.cents(pay.capped()),
        curve == null ? null : exact(curve.floor(), measure),
        curve == null ? null : exact(curve.ceiling(), measure),
        curve == null ? List.of() : points(curve, facts.sales(), measure));
  }

  /** Null for null; otherwise decimal text, or six decimals where none ends. */
  private static @Nullable String exact(@Nullable Ratio smallestUnits, Measure measure) {
    return smallestUnits == null ? null : measure.text(smallestUnits);
  }

  private static @Nullable String cents(@Nullable Long cents) {
    return cents == null ? null : PlanPart.cents(cents);
  }

  private static String notCredited(Facts facts, @Nullable Pay pay, Measure measure) {
    if (pay == null || facts.sales() <= 0) {
      return measure.text(0);
    }
    return measure.text(Ratio.of(facts.sales()).minus(pay.credited()));
  }

  static String tone(PayStatus status) {
    return switch (status) {
      case NO_PLAN, NO_QUOTA -> "neutral";
      case BELOW_FLOOR -> "bad";
      case EARNING -> "near";
      case ON_TARGET, AT_CEILING -> "good";
    };
  }

  static List<ComponentPart> components(Pay pay, Measure measure) {
    return pay.components().stream()
        .map(
            one ->
                new ComponentPart(
                    one.what(),
                    one.what(),
                    one.from() == null ? null : one.from().toText(),
                    one.until() == null ? null : one.until().toText(),
                    exact(one.base(), measure),
                    one.rate() == null ? null : one.rate().toText(),
                    PlanPart.cents(one.amount())))
        .toList();
  }

  static @Nullable NextPart next(Pay.@Nullable Next next, Measure measure) {
    return next == null
        ? null
        : new NextPart(next.event().word(), measure.text(next.sales()), PlanPart.cents(next.pay()));
  }

  private static AdjustmentPart adjustment(Adjustment one) {
    return new AdjustmentPart(
        Months.of(one.windowFrom()).toString(),
        Months.of(one.through()).toString(),
        PlanPart.cents(one.earnedThen()),
        PlanPart.cents(one.earnedNow()),
        PlanPart.cents(one.amount()));
  }

  /** As far as is drawn: past quota and ceiling, and past what was sold. */
  public static List<PointPart> points(PayCurve curve, long sales, Measure measure) {
    Ratio end = curve.quota().times(BEYOND).max(Ratio.of(sales));
    long until = end.rounded(0, RoundingMode.CEILING).longValueExact();
    return curve.corners(until).stream()
        .map(point -> new PointPart(measure.text(point.sales()), PlanPart.cents(point.pay())))
        .toList();
  }

  static String isNotMonth(String text) {
    return "\"" + text + "\" is not a month. Write it as 2026-10.";
  }

  static String isNotAmountOf(String sales, String measure, String text) {
    return "\"" + sales + "\" is not an amount of " + measure + ". Write it as " + text + ".";
  }

  static String noRepIn(String rep, YearMonth month) {
    return "There is no rep \"" + rep + "\" in " + month + ".";
  }

  static String noCommissionPlanThatHoldsIn(String plan) {
    return "There is no commission plan \"" + plan + "\" that holds in this month.";
  }

  static String everybodyWithPlanUnder(@Nullable String plan) {
    return "everybody with a plan under " + plan;
  }

  static String isClosedAndStaysAsIt(String month) {
    return month + " is closed and stays as it was paid";
  }
}
