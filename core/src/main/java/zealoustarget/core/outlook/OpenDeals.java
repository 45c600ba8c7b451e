package zealoustarget.core.outlook;

import java.math.BigInteger;
import java.util.Map;
import java.util.TreeMap;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.ledger.columns.Members;
import zealoustarget.core.member.Axis;

/**
 * Sums of open deals, in smallest units; docs/calculations.md, section 9.
 *
 * @param open of deals expected from the month of the snapshot on
 * @param weighted each of them times its likelihood, exact
 * @param overdue of open deals that were expected before that month; in none of the others
 * @param deals how many are in {@code open}
 */
public record OpenDeals(long open, Ratio weighted, long overdue, int deals) {
  public static final OpenDeals NONE = new OpenDeals(0, Ratio.ZERO, 0, 0);

  /**
   * Sums of all deals in scope, and of each member that has one; deals that are of no member of the
   * axis are in the total only.
   */
  public record ByMember(OpenDeals total, Map<Integer, OpenDeals> members) {}

  /**
   * Adds the open deals of a snapshot up.
   *
   * @throws ArithmeticException if the amounts do not fit a long
   */
  public static ByMember of(DealSnapshot snapshot, DealScope scope, Axis axis) {
    int since = snapshot.month();
    Sums total = new Sums();
    Map<Integer, Sums> members = new TreeMap<>();
    for (Deal deal : snapshot.deals()) {
      if (deal.isOpen() && scope.contains(deal)) {
        total.add(deal, since);
        int member = scope.placeOf(deal, axis);
        if (member != Members.NONE) {
          members.computeIfAbsent(member, id -> new Sums()).add(deal, since);
        }
      }
    }
    Map<Integer, OpenDeals> sums = new TreeMap<>();
    members.forEach((member, sum) -> sums.put(member, sum.toDeals()));
    return new ByMember(total.toDeals(), sums);
  }

  /** Sums being made; weighted ones in units of a certain deal. */
  private static final class Sums {
    private long open;
    private long weighted;
    private BigInteger carried = BigInteger.ZERO;
    private long overdue;
    private int deals;

    void add(Deal deal, int since) {
      if (deal.month() < since) {
        overdue = Math.addExact(overdue, deal.amount());
        return;
      }
      open = Math.addExact(open, deal.amount());
      deals++;
      long high = Math.multiplyHigh(deal.amount(), deal.likelihood());
      long low = deal.amount() * deal.likelihood();
      if (high != 0 || low < 0 || weighted + low < 0) {
        carried =
            carried.add(
                BigInteger.valueOf(deal.amount()).multiply(BigInteger.valueOf(deal.likelihood())));
      } else {
        weighted += low;
      }
    }

    OpenDeals toDeals() {
      BigInteger all = carried.add(BigInteger.valueOf(weighted));
      return new OpenDeals(open, Ratio.of(all, BigInteger.valueOf(Deal.CERTAIN)), overdue, deals);
    }
  }
}
