package zealoustarget.core.commission;

import java.math.RoundingMode;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.reading.Pace;

/**
 * Sales and quotas as they might be; docs/calculations.md, section 8.
 *
 * @param book as they are
 * @param quotaFactor what quotas are multiplied with, unrounded
 * @param quotaSets the goal sets that hold quotas; what ceilings are read from stays
 * @param running number of the month whose sales are read as if it ended at its pace
 * @param days how far that month is; null where it is over, or not tried
 */
public record TrialSales(
    SalesBook book, Ratio quotaFactor, Set<String> quotaSets, int running, Pace.@Nullable Days days)
    implements SalesBook {
  /** Of the running month rounded half up to the smallest unit. */
  @Override
  public long sales(String measure, int rep, int month) {
    long sales = book.sales(measure, rep, month);
    if (month != running || days == null) {
      return sales;
    }
    Ratio end = Pace.atEnd(Ratio.of(sales), days, Ratio.of(sales));
    return end.rounded(0, RoundingMode.HALF_UP).toBigIntegerExact().longValueExact();
  }

  @Override
  public @Nullable Ratio quota(String goalSet, String measure, int rep, int month) {
    Ratio quota = book.quota(goalSet, measure, rep, month);
    return quota == null || !quotaSets.contains(goalSet) ? quota : quota.times(quotaFactor);
  }
}
