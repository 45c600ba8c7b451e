package zealoustarget.core.outlook;

import java.util.Arrays;
import java.util.List;
import java.util.Set;
import zealoustarget.core.amount.Amounts;
import zealoustarget.core.ledger.columns.ActualBlock;

/**
 * Won deals as the actuals of the measures that are fed by them: each in the month in which it
 * closed, of the snapshots in force; docs/calculations.md, section 9.
 */
public final class WonDeals {
  private WonDeals() {}

  /**
   * The won deals of a snapshot in force, a block per month.
   *
   * @param fed codes of the measures
   */
  public static List<ActualBlock> blocks(DealSnapshot inForce, Set<String> fed) {
    List<String> measures = inForce.origin().measures().stream().filter(fed::contains).toList();
    if (measures.isEmpty()) {
      return List.of();
    }
    ActualBlock.Builder block = new ActualBlock.Builder(inForce.origin().load(), measures);
    int[] places = measures.stream().mapToInt(inForce::measure).toArray();
    for (int at = 0; at < inForce.size(); at++) {
      if (inForce.state(at) == Deal.State.WON) {
        int deal = at;
        long[] amounts =
            Arrays.stream(places).mapToLong(measure -> inForce.amount(measure, deal)).toArray();
        if (Amounts.hasAny(amounts)) {
          block.add(
              inForce.line(at),
              inForce.month(at),
              inForce.rep(at),
              inForce.region(at),
              inForce.product(at),
              amounts);
        }
      }
    }
    return block.build().byMonth();
  }
}
