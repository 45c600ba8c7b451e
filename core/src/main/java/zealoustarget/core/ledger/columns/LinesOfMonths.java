package zealoustarget.core.ledger.columns;

import java.util.List;
import java.util.Map;
import zealoustarget.core.member.Member;

/**
 * Products' lines that sealed months keep.
 *
 * @param byMonth by month number, line ids (or −1) by product id; only of months that differ
 * @param lines the lines named there
 */
public record LinesOfMonths(Map<Integer, Map<Integer, Integer>> byMonth, List<Member> lines) {
  public static final LinesOfMonths NONE = new LinesOfMonths(Map.of(), List.of());

  /** Keeps its own copies. */
  public LinesOfMonths {
    byMonth = Map.copyOf(byMonth);
    lines = List.copyOf(lines);
  }
}
