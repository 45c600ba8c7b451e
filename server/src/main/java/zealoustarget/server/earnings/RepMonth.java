package zealoustarget.server.earnings;

import java.math.RoundingMode;
import java.time.YearMonth;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.commission.Pay;
import zealoustarget.core.commission.PayHeadline;
import zealoustarget.core.commission.PayStatus;
import zealoustarget.core.commission.Statement;
import zealoustarget.server.rules.Rules;

/**
 * A rep's month as figures, from which sums, shares and the headline are reckoned, beside the row
 * that shows it. Sales and quotas are in the measure's smallest units, pay in cents.
 *
 * @param measure null where a sealed month's measure is gone from the rules
 * @param credited exact; null without a quota, as {@code quota} and {@code earned} are
 */
record RepMonth(
    EarningsRow row,
    @Nullable Measure measure,
    YearMonth windowFrom,
    Ratio sales,
    Amounts amounts,
    PayStatus status,
    @Nullable Long earned,
    @Nullable Long due,
    @Nullable Next next) {
  private static final Ratio CENTS = Ratio.of(100);

  /** Quotas and what of the sales counts. */
  record Amounts(@Nullable Ratio quota, @Nullable Ratio monthQuota, @Nullable Ratio credited) {}

  /** Sales to go to what comes next, and the pay that it adds. */
  record Next(long sales, long pay) {}

  static RepMonth of(Statement statement, EarningsRow row, Measure measure) {
    Pay pay = statement.pay();
    Pay.Next next = pay == null ? null : pay.next();
    return new RepMonth(
        row,
        measure,
        Months.of(statement.windowFrom()),
        Ratio.of(statement.facts().sales()),
        new Amounts(
            statement.facts().quota(), statement.monthQuota(), pay == null ? null : pay.credited()),
        statement.status(),
        statement.earned(),
        statement.due(),
        next == null ? null : new Next(next.sales(), next.pay()));
  }

  /** Of a month that is sealed: its text is read here, once, when the seal is opened. */
  static RepMonth of(SealedStatement sealed, Rules rules) {
    EarningsRow row = sealed.toRow();
    Measure measure = rules.findMeasure(row.measure()).orElse(null);
    Ratio perOne = measure == null ? Ratio.ONE : measure.unitsPerOne();
    EarningsRow.NextPart next = row.next();
    return new RepMonth(
        row,
        measure,
        YearMonth.parse(row.windowFrom()),
        Ratio.parse(row.actual()).times(perOne),
        new Amounts(
            units(row.quota(), perOne),
            units(row.monthQuota(), perOne),
            units(row.credited(), perOne)),
        PayStatus.ofWord(row.status()),
        cents(row.earned()),
        cents(row.due()),
        next == null
            ? null
            : new Next(whole(Ratio.parse(next.sales()).times(perOne)), cent(next.pay())));
  }

  private static @Nullable Ratio units(@Nullable String decimal, Ratio perOne) {
    return decimal == null ? null : Ratio.parse(decimal).times(perOne);
  }

  private static @Nullable Long cents(@Nullable String decimal) {
    return decimal == null ? null : Long.valueOf(cent(decimal));
  }

  private static long cent(String decimal) {
    return whole(Ratio.parse(decimal).times(CENTS));
  }

  private static long whole(Ratio units) {
    return units.rounded(0, RoundingMode.HALF_UP).longValueExact();
  }

  /** Of the month alone where the window is longer, else of the window. */
  @Nullable Ratio quotaOfMonth() {
    return amounts.monthQuota() == null ? amounts.quota() : amounts.monthQuota();
  }

  /** Sales at which commission begins; null where the plan has no floor. */
  @Nullable Ratio floor() {
    return units(row.floor(), perOne());
  }

  /** Sales at which it ends; null where the plan has no ceiling. */
  @Nullable Ratio ceiling() {
    return units(row.ceiling(), perOne());
  }

  private Ratio perOne() {
    return measure == null ? Ratio.ONE : measure.unitsPerOne();
  }

  boolean isPaid() {
    return due != null && due > 0;
  }

  /** What the sentence over a month needs. */
  PayHeadline.Line line() {
    Ratio quota = amounts.quota();
    return new PayHeadline.Line(
        row.name(),
        due,
        status,
        next == null || quota == null || measure == null
            ? null
            : new PayHeadline.NextPay(measure, next.sales(), quota, next.pay()));
  }
}
