package zealoustarget.core.ledger.overlay;

import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import zealoustarget.core.ledger.columns.ActualBlock;
import zealoustarget.core.ledger.columns.Members;
import zealoustarget.core.ledger.query.RowFilter;
import zealoustarget.core.member.Axis;

/**
 * What a load of actuals covers: pairs of month and member of one axis.
 *
 * <p>The axis is the widest one that every row of the load names: region (its own, else the rep's
 * on the roster), else rep, else product, else the whole company. So a region's file that comes
 * again replaces that region's lines and no others, those of a rep that it no longer has included.
 *
 * @param membersByMonth member ids per month number
 */
public record LoadScope(Axis axis, Map<Integer, BitSet> membersByMonth) {
  private static final List<Axis> CANDIDATES = List.of(Axis.REGION, Axis.REP, Axis.PRODUCT);

  /** What the rows of a load's blocks cover. */
  public static LoadScope of(List<ActualBlock> blocks, Members members) {
    Axis axis =
        CANDIDATES.stream()
            .filter(
                one -> blocks.stream().allMatch(block -> isNamedEverywhere(block, one, members)))
            .findFirst()
            .orElse(Axis.COMPANY);
    Map<Integer, BitSet> covered = new HashMap<>();
    for (ActualBlock block : blocks) {
      for (int row = 0; row < block.size(); row++) {
        covered
            .computeIfAbsent(block.month(row), month -> new BitSet())
            .set(RowFilter.place(block, row, axis, members));
      }
    }
    return new LoadScope(axis, covered);
  }

  /** Places of the rows of an earlier block that lie in this scope. */
  BitSet rowsOf(ActualBlock earlier, Members members) {
    BitSet rows = new BitSet();
    membersByMonth.forEach(
        (month, covered) -> {
          int end = earlier.firstRowFrom(month + 1);
          for (int row = earlier.firstRowFrom(month); row < end; row++) {
            int member = RowFilter.place(earlier, row, axis, members);
            if (member >= 0 && covered.get(member)) {
              rows.set(row);
            }
          }
        });
    return rows;
  }

  private static boolean isNamedEverywhere(ActualBlock block, Axis axis, Members members) {
    return IntStream.range(0, block.size())
        .allMatch(row -> RowFilter.place(block, row, axis, members) >= 0);
  }
}
