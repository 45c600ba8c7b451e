package zealoustarget.server.rules;

import java.util.List;
import java.util.Set;
import zealoustarget.core.amount.Ratio;

/**
 * What the company wants of a month before it is closed; docs/calculations.md, section 11.
 *
 * @param off codes of the computed lines that it does without
 * @param missesAbove a rep who is short by more than this share of the goal needs a reason
 * @param overPlanAbove quotas may differ from their region's goal by no more than this share
 * @param dueDay the working day after the month by which it is to be closed
 * @param requiresChecked whether a month is refused while a line is open
 * @param tell mail addresses that hear of late sources
 */
public record Closing(
    Set<String> off,
    Ratio missesAbove,
    Ratio overPlanAbove,
    int dueDay,
    boolean requiresChecked,
    List<String> tell) {
  /** Before anything is set. */
  public static final Closing DEFAULT =
      new Closing(Set.of(), Ratio.of(1, 10), Ratio.of(4, 100), 5, false, List.of());

  /** Keeps its own copies. */
  public Closing {
    off = Set.copyOf(off);
    tell = List.copyOf(tell);
  }

  public boolean asks(String line) {
    return !off.contains(line);
  }
}
