package zealoustarget.core.commission;

import zealoustarget.core.amount.Ratio;

/** A floor or ceiling on credited sales. */
public sealed interface Bound {
  /** A sum in the measure's smallest unit; it holds once per window. */
  record Amount(long units) implements Bound {}

  /** A share of the quota to date, such as 4/5. */
  record Share(Ratio ofQuota) implements Bound {}

  /** What a goal set gives the rep for the window's months, such as what stock allows. */
  record OfSet(String goalSet) implements Bound {}
}
