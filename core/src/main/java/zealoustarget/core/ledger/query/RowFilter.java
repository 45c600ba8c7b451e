package zealoustarget.core.ledger.query;

import java.util.BitSet;
import java.util.Map;
import java.util.Set;
import zealoustarget.core.ledger.columns.ActualBlock;
import zealoustarget.core.ledger.columns.Members;
import zealoustarget.core.member.Axis;
import zealoustarget.core.member.Member;

/**
 * Decides whether a posted row lies inside the filters; a row's own region wins over the roster's.
 */
public final class RowFilter {
  private final Members members;
  private final Axis[] axes;
  private final BitSet[] kept;

  /** Keeps rows whose member is one of those kept, on every axis that is filtered. */
  public RowFilter(Filters filters, Members members) {
    this.members = members;
    this.axes = new Axis[filters.kept().size()];
    this.kept = new BitSet[axes.length];
    int at = 0;
    for (Map.Entry<Axis, Set<Integer>> filter : filters.kept().entrySet()) {
      BitSet ids = new BitSet();
      filter.getValue().forEach(ids::set);
      axes[at] = filter.getKey();
      kept[at++] = ids;
    }
  }

  /** Whether a row of a block lies inside. */
  public boolean keeps(ActualBlock block, int row) {
    for (int i = 0; i < axes.length; i++) {
      int place = place(block, row, axes[i], members);
      if (place < 0 || !kept[i].get(place)) {
        return false;
      }
    }
    return true;
  }

  /** The row's member on an axis, or −1. */
  public static int place(ActualBlock block, int row, Axis axis, Members members) {
    return switch (axis) {
      case REP -> block.rep(row);
      case PRODUCT -> block.product(row);
      case LINE -> members.lineOf(block.product(row), block.month(row));
      case MANAGER -> members.managerOf(block.rep(row), block.month(row));
      case COMPANY -> Member.COMPANY.id();
      case REGION -> {
        int own = block.region(row);
        yield own >= 0 ? own : members.regionOf(block.rep(row), block.month(row));
      }
    };
  }
}
