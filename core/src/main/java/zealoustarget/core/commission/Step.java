package zealoustarget.core.commission;

import zealoustarget.core.amount.Ratio;

/**
 * A step of a plan.
 *
 * @param from share of the quota from which it holds
 * @param rate pay per unit of sales, both in whole currency units or pieces
 */
public record Step(Ratio from, Ratio rate) {}
