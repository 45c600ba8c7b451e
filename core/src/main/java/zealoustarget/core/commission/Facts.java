package zealoustarget.core.commission;

import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Ratio;

/**
 * What counts in a window to date, smallest units.
 *
 * @param quota null where no month has one
 * @param ceilingOfSet what the ceiling's goal set gives; null for nothing
 */
public record Facts(long sales, @Nullable Ratio quota, @Nullable Ratio ceilingOfSet) {}
