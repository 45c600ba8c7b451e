package zealoustarget.server.standing;

import java.util.List;

/**
 * The order lines behind a row, each against a goal of its own.
 *
 * @param per what each line is compared with: own-goal, threshold, or null for nothing
 * @param thresholds goal sets by rep that can be read as thresholds for each line
 * @param lineCount of all lines, {@code met} of those that meet their goal, {@code judged} of those
 *     that have one
 */
record OrdersAnswer(
    String per,
    List<String> thresholds,
    int page,
    int size,
    int lineCount,
    int judged,
    int met,
    List<Line> lines) {
  /**
   * One line.
   *
   * @param why in words why it meets its goal or not, null without one
   */
  record Line(
      int load,
      String file,
      int line,
      String month,
      String rep,
      String amount,
      String goal,
      String variance,
      Boolean isMet,
      String why) {}
}
