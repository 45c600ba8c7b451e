package zealoustarget.core.insight;

import java.util.List;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.calendar.Span;
import zealoustarget.core.member.Axis;

/**
 * One computed sentence and the view that shows it.
 *
 * @param text a whole sentence
 * @param shares the figures that the sentence states, as decimal texts in their order, so that they
 *     can be checked
 */
public record Insight(Kind kind, String text, List<String> shares, Show show) {
  /** What an insight is about, most telling first. */
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
   * The view that shows exactly the figures of the sentence; what it does not name stays as it is.
   *
   * @param keys rows to keep; empty for all
   * @param select key of the row to explain; null for the total
   * @param along the axis along which the row's variance is taken apart; null for none
   * @param months months side by side to show; null for the span as it is
   */
  public record Show(
      List<String> keys, @Nullable String select, @Nullable Axis along, @Nullable Span months) {
    static Show rows(List<String> keys) {
      return new Show(keys, keys.size() == 1 ? keys.get(0) : null, null, null);
    }

    static Show total() {
      return new Show(List.of(), null, null, null);
    }
  }
}
