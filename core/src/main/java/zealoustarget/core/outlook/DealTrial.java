package zealoustarget.core.outlook;

import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * What might become of an open deal, tried and not kept.
 *
 * @param deal key, as {@link DealKey#fold} gives it
 * @param likelihood instead of its own, of {@link Deal#CERTAIN}; null leaves the deal out, as if it
 *     were lost
 */
public record DealTrial(String deal, @Nullable Integer likelihood) {
  /** Snapshots in which the open deals of these keys are as they are tried. */
  public static List<DealSnapshot> over(List<DealSnapshot> some, Collection<DealTrial> trials) {
    if (trials.isEmpty()) {
      return some;
    }
    Map<String, DealTrial> byDeal = new HashMap<>();
    trials.forEach(trial -> byDeal.put(trial.deal, trial));
    return some.stream()
        .map(snapshot -> snapshot.with(deal -> tried(deal, byDeal.get(DealKey.fold(deal.key())))))
        .toList();
  }

  private static Deal tried(Deal deal, @Nullable DealTrial trial) {
    if (trial == null || deal.state() != Deal.State.OPEN) {
      return deal;
    }
    return trial.likelihood == null
        ? deal.with(deal.likelihood(), deal.month(), Deal.State.LOST, deal.amounts())
        : deal.with(trial.likelihood, deal.month(), Deal.State.OPEN, deal.amounts());
  }
}
