package zealoustarget.server.earnings;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.util.List;

/**
 * A rep's commission for a month as it travels. Amounts of sales are decimal text in the measure's
 * scale, pay in the currency with two decimals.
 *
 * @param rep key
 * @param quota to date in the window; null for none
 * @param monthQuota of the month alone, beside a longer window's; null for none
 * @param actual sold to date in the window
 * @param notCredited what the ceiling keeps out
 * @param earned to date in the window
 * @param due with this month
 * @param windowFrom first month of the window as far as the plan reaches
 * @param closedThrough last sealed month within the window, with what was earned by then
 * @param part what the months since then earned
 * @param capped what the cap takes from the components
 * @param curve corners of the pay curve: sales and pay
 */
@JsonInclude(JsonInclude.Include.ALWAYS)
public record EarningsRow(
    String rep,
    String name,
    String region,
    String plan,
    String measure,
    String unit,
    String quota,
    String monthQuota,
    String actual,
    String credited,
    String notCredited,
    String status,
    String tone,
    String earned,
    String due,
    List<ComponentPart> components,
    NextPart next,
    String windowFrom,
    String closedThrough,
    String closed,
    String part,
    List<AdjustmentPart> adjustments,
    String heldBefore,
    String held,
    String capped,
    String floor,
    String ceiling,
    List<PointPart> curve) {
  /**
   * One rounded part of the pay.
   *
   * @param what {@code slice 1}, {@code whole}, {@code bonus}; {@code label} says the same
   * @param from share of the quota where it begins, {@code until} where it ends; null for none
   */
  public record ComponentPart(
      String what,
      String label,
      String from,
      String until,
      String base,
      String rate,
      String amount) {}

  /** The next event: sales to go and the pay that it adds. */
  public record NextPart(String event, String sales, String pay) {}

  /** What a correction of sealed months adds. */
  public record AdjustmentPart(
      String from, String through, String earnedThen, String earnedNow, String amount) {}

  public record PointPart(String sales, String pay) {}
}
