package zealoustarget.core.claim;

import java.util.List;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.member.Axis;

/**
 * One computed sentence and the view that shows it.
 *
 * @param text a whole sentence
 * @param shares the figures that the sentence states, as decimal texts in their order, so that they
 *     can be checked
 */
public record Claim(Kind kind, String text, List<String> shares, Show show) {
  /** What a claim is about, most telling first. */
  public enum Kind {
    /** One part of another axis is most of a member's miss. */
    PART,
    /** Few members hold most of the shortfall. */
    HOLDERS,
    /** Members that missed several months in a row. */
    RUN,
    /** Members outside their range. */
    OUTSIDE,
    /** Where the open month will end. */
    LANDING,
    /** What reason was noted for most of the shortfall. */
    REASON,
    /** Members that miss the goal by next to nothing. */
    NEAR_MISS,
    /** Who fell most on the year before. */
    FALL,
    /** What was posted without a goal. */
    NO_GOAL
  }

  /**
   * What to show.
   *
   * @param axis rows of this axis; null for those of the standing
   * @param withinAxis where rows are of another axis: what they are narrowed to, with its key
   * @param keys rows to keep; empty for all
   * @param select key of the row to explain; null for the total
   */
  public record Show(
      @Nullable Axis axis,
      @Nullable Axis withinAxis,
      @Nullable String withinKey,
      List<String> keys,
      @Nullable String select,
      boolean isByMonth) {
    static Show rows(List<String> keys) {
      return new Show(null, null, null, keys, keys.size() == 1 ? keys.get(0) : null, false);
    }

    static Show total() {
      return new Show(null, null, null, List.of(), null, false);
    }
  }
}
