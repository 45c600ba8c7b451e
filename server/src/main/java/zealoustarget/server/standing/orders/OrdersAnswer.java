package zealoustarget.server.standing.orders;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * The orders behind a row, each against a goal of its own. An order is the lines of one order key
 * and one rep; a line without an order key is an order of its own.
 *
 * @param per what each order is compared with: own-goal, threshold, or null for nothing
 * @param thresholds goal sets by rep that can be read as thresholds for each order
 * @param orderCount of all orders that are shown, {@code lineCount} of their lines
 * @param judged of all orders those that have a goal, {@code met} of those that meet it
 */
public record OrdersAnswer(
    @Schema(allowableValues = {"own-goal", "threshold"}) @Nullable String per,
    List<String> thresholds,
    int page,
    int size,
    int orderCount,
    int lineCount,
    int judged,
    int met,
    List<Order> orders) {
  /**
   * One order; what its lines do not share is null.
   *
   * @param order the source's key, null without one
   * @param date of its first line, null where the file gives months
   * @param amount sum of its lines
   * @param why in words why it meets its goal or not, null without one
   * @param lineCount of all its lines, of which the first 100 follow
   */
  record Order(
      @Nullable String order,
      String month,
      @Nullable String date,
      @Nullable String rep,
      @Nullable String product,
      String amount,
      @Nullable String goal,
      @Nullable String variance,
      @Nullable Boolean isMet,
      @Nullable String why,
      int lineCount,
      List<Line> lines) {}

  /**
   * One line of a file.
   *
   * @param further cells of columns that are not ours, such as a customer, by title
   */
  record Line(
      int load,
      String file,
      int line,
      String month,
      @Nullable String date,
      @Nullable String product,
      String amount,
      Map<String, String> further) {}
}
