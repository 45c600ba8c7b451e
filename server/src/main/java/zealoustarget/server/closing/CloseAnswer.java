package zealoustarget.server.closing;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What a month needs before it is closed; docs/calculations.md, section 11.
 *
 * @param state {@code checked} where nothing is open
 * @param headline in words
 * @param sentence what is done and waived, and until when the month is to be closed
 * @param lines in the order of the work
 * @param after what is possible only after closing; it does not count
 * @param sources when each source's lines came
 */
record CloseAnswer(
    String month,
    @Schema(allowableValues = {"empty", "open", "checked", "sealed"}) String state,
    int open,
    String headline,
    String sentence,
    List<Line> lines,
    List<Line> after,
    List<Source> sources) {

  /**
   * One line.
   *
   * @param code {@code own-} and a number for one of the company's own
   * @param figure such as {@code 4 of 5}; empty where there is none to say
   * @param text what is behind it, in words
   * @param by who settled or waived it
   * @param reason why it is waived
   * @param items what is open, the first few; of a waived line what was waived
   */
  record Line(
      String code,
      String name,
      @Schema(allowableValues = {"done", "open", "waived"}) String state,
      boolean isOwn,
      String figure,
      String text,
      @Nullable String by,
      @Nullable String at,
      @Nullable String reason,
      @Nullable Action action,
      List<Item> items) {}

  /** What resolves a line; {@code address} is a place in the application, empty for a file. */
  record Action(String words, String address) {}

  /**
   * One of the things that a line is about.
   *
   * @param amount with its unit, null where there is none
   */
  record Item(
      String key, String name, String text, @Nullable String amount, @Nullable String address) {}

  /**
   * A source and when its lines came.
   *
   * @param rhythm {@code monthly}, {@code quarterly} or {@code ended}
   * @param header the columns or the system that it is told by
   * @param text of the month that was asked for, in words
   */
  record Source(
      String source,
      String name,
      String header,
      @Schema(allowableValues = {"monthly", "quarterly", "ended"}) String rhythm,
      boolean isLate,
      String text,
      List<Arrival> months) {}

  /**
   * A month of a source; days count from the month's end, 1 is the first of the next.
   *
   * @param usual null before there are months to tell it by
   * @param came null where nothing came
   * @param isLate came, or is missing, more than three days after its usual day
   * @param isDue expected and not there yet
   */
  record Arrival(
      String month,
      @Nullable Integer usual,
      @Nullable Integer came,
      @Nullable String cameOn,
      boolean isLate,
      boolean isDue) {}
}
