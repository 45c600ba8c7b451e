package zealoustarget.core.commission;

import java.util.List;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Ratio;

/**
 * A rep's commission for a month; docs/calculations.md, section 7.
 *
 * @param terms null without a plan
 * @param windowFrom first month number of the window as far as these terms reach
 * @param facts to date
 * @param monthQuota of the month alone, as it is ramped and shared; null without one
 * @param curve null without a quota above 0
 * @param pay to date; null without a quota above 0
 * @param closedThrough last sealed month number within the window; null where none is
 * @param closed cents earned by then on what is posted now
 * @param part cents that the months since {@code closedThrough} earned
 * @param adjustments of sealed months, in the next open month only
 * @param heldBefore cents held at 0 earlier in the window, made up for here
 * @param held cents held at 0 after this month
 * @param due cents; null where there is nothing to settle without plan or quota
 */
public record Statement(
    int rep,
    int month,
    @Nullable Terms terms,
    int windowFrom,
    Facts facts,
    @Nullable Ratio monthQuota,
    @Nullable PayCurve curve,
    @Nullable Pay pay,
    @Nullable Integer closedThrough,
    long closed,
    long part,
    List<Adjustment> adjustments,
    long heldBefore,
    long held,
    @Nullable Long due) {
  public PayStatus status() {
    if (terms == null) {
      return PayStatus.NO_PLAN;
    }
    return pay == null ? PayStatus.NO_QUOTA : pay.status();
  }

  /**
   * Cents that the month adds to its window; 0 without plan or quota.
   *
   * @param earlier cents that the window had earned by the month before
   */
  public long added(long earlier) {
    long sofar = pay == null ? 0 : pay.earned();
    return windowFrom < month ? Math.subtractExact(sofar, earlier) : sofar;
  }

  /** Cents earned to date in the window; null without plan or quota. */
  public @Nullable Long earned() {
    return pay == null ? null : pay.earned();
  }

  /** What is settled when the month is sealed as it stands. */
  public Closed toClosed() {
    return new Closed(
        month, terms, windowFrom, facts, pay == null ? 0 : pay.earned(), held, adjustments);
  }
}
