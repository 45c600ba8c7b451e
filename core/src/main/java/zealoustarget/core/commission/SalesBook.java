package zealoustarget.core.commission;

import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Ratio;

/** The credited sales and quotas of reps by month, in smallest units. */
public interface SalesBook {
  /** What a rep sold in a month; 0 where nothing is posted. */
  long sales(String measure, int rep, int month);

  /** A rep's goal in a set for a month; null where none is set. */
  @Nullable Ratio quota(String goalSet, String measure, int rep, int month);
}
