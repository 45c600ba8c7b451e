package zealoustarget.server.standing.query;

import zealoustarget.core.amount.Ratio;
import zealoustarget.core.ledger.query.Basis;

/** How sentences call what a standing is compared with. */
public final class GoalWords {
  private GoalWords() {}

  /** What people call a basis: a set's name, or the earlier year. */
  public static String of(Basis basis) {
    if (basis instanceof Basis.Set set) {
      return set.name();
    }
    if (basis instanceof Basis.PriorYear prior) {
      return "last year" + times(prior.factor());
    }
    return basis instanceof Basis.PriorPeriod prior
        ? "the prior period" + times(prior.factor())
        : "no goal";
  }

  private static String times(Ratio factor) {
    return factor.equals(Ratio.ONE) ? "" : " × " + factor.toText();
  }
}
