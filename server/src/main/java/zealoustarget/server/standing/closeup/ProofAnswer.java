package zealoustarget.server.standing.closeup;

import java.util.List;
import org.jspecify.annotations.Nullable;
import zealoustarget.server.standing.view.ReadingAnswer;

/**
 * How a figure came about.
 *
 * @param inputs the reading itself
 * @param formulas each figure with its inputs put in
 * @param rung what decided the status, null without a reading
 * @param goalWords what the goal is: a set's name or the derived basis
 * @param rows source lines of the actual, one page of them
 * @param goalRows source lines of the goal, the first page's worth
 */
public record ProofAnswer(
    ReadingAnswer inputs,
    List<Formula> formulas,
    @Nullable DecidingRung rung,
    String ladder,
    String goalWords,
    int page,
    int size,
    int rowCount,
    List<SourceRow> rows,
    int goalRowCount,
    List<SourceRow> goalRows) {
  record Formula(String figure, String formula, @Nullable String value, @Nullable String why) {}

  /** The rung, its number from 1, and its bound in the ladder's scale. */
  record DecidingRung(
      int number, String name, String scale, @Nullable String from, @Nullable String bound) {}

  /**
   * A line of a file.
   *
   * @param decisions what was decided about the line before it was posted, in words
   */
  record SourceRow(
      int load, String file, int line, String month, String amount, List<String> decisions) {}
}
