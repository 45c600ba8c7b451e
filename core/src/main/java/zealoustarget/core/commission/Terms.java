package zealoustarget.core.commission;

import java.util.List;
import zealoustarget.core.amount.Ratio;

/**
 * What holds for a rep in a month: the plan, and how the quota ramps up.
 *
 * @param ramp shares of the quota for the first months from {@code rampFrom} on; all of it after
 * @param rampFrom month number as in {@link zealoustarget.core.calendar.Months}; 0 without a ramp
 */
public record Terms(Plan plan, List<Ratio> ramp, int rampFrom) {
  public Terms {
    ramp = List.copyOf(ramp);
    rampFrom = ramp.isEmpty() ? 0 : rampFrom;
  }

  /** The share of the quota that holds in a month. */
  public Ratio rampIn(int month) {
    int at = month - rampFrom;
    return at >= 0 && at < ramp.size() ? ramp.get(at) : Ratio.ONE;
  }
}
