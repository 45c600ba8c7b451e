package zealoustarget.server.earnings;

import com.fasterxml.jackson.annotation.JsonInclude;
import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.ladder.Tone;
import zealoustarget.server.platform.http.WordsOf;

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
    @Nullable String region,
    @Nullable String plan,
    String measure,
    String unit,
    @Nullable String quota,
    @Nullable String monthQuota,
    String actual,
    @Nullable String credited,
    String notCredited,
    String status,
    @WordsOf(Tone.class) String tone,
    @Nullable String earned,
    @Nullable String due,
    List<ComponentPart> components,
    @Nullable NextPart next,
    String windowFrom,
    @Nullable String closedThrough,
    String closed,
    String part,
    List<AdjustmentPart> adjustments,
    String heldBefore,
    String held,
    String capped,
    @Nullable String floor,
    @Nullable String ceiling,
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
      @Nullable String from,
      @Nullable String until,
      @Nullable String base,
      @Nullable String rate,
      String amount) {}

  /** The next event: sales to go and the pay that it adds. */
  public record NextPart(
      @Schema(allowableValues = {"floor", "target", "ceiling", "step"}) String event,
      String sales,
      String pay) {}

  /** What a correction of sealed months adds. */
  public record AdjustmentPart(
      String from, String through, String earnedThen, String earnedNow, String amount) {}

  public record PointPart(String sales, String pay) {}
}
