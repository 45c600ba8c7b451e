package zealoustarget.server.briefing;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonSetter;
import com.fasterxml.jackson.annotation.Nulls;
import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * An exhibit's figures as a table, with what is drawn beside them.
 *
 * @param period in words
 * @param source what it was read from, in words
 * @param address the same view in the application
 * @param isGone whether it can no longer be read; then there are no rows
 * @param goalAt where along a bar the goal, or zero, lies: from 0 to 1 with four decimals; null
 *     without bars
 */
@JsonInclude(JsonInclude.Include.ALWAYS)
record ExhibitData(
    String period,
    String unit,
    String source,
    String address,
    boolean isGone,
    @Nullable String goalAt,
    List<Column> columns,
    List<Row> rows) {

  /**
   * A column.
   *
   * @param format {@code text}, {@code amount}, {@code count} or {@code percent}; a percent's value
   *     is a ratio
   * @param formula how a workbook computes it from the columns before, by their letters and {@code
   *     #} for the row; null where it is given
   */
  record Column(
      String title,
      @Schema(allowableValues = {"text", "amount", "count", "percent"}) String format,
      @Nullable String formula) {}

  /**
   * A row.
   *
   * @param values exact texts, null for none
   * @param shown the same as they are read
   * @param bar what is drawn; null for nothing
   * @param stair how pay climbs with sales; null for none
   */
  record Row(
      @JsonSetter(contentNulls = Nulls.SET) List<@Nullable String> values,
      List<String> shown,
      @Nullable Bar bar,
      boolean isTotal,
      @Nullable Stair stair) {
    Row(List<@Nullable String> values, List<String> shown, @Nullable Bar bar, boolean isTotal) {
      this(values, shown, bar, isTotal, null);
    }
  }

  /**
   * Pay above sales, from 0 to 1 with four decimals each: sales run right, pay climbs.
   *
   * @param curve the plan's corners, from the left
   * @param at where the rep stands, and how high
   * @param floor sales below which nothing is paid; null for none
   * @param ceiling sales above which nothing more is; null for none
   */
  record Stair(
      List<Point> curve,
      Point at,
      @Nullable String floor,
      @Nullable String ceiling,
      @Schema(allowableValues = {"good", "near", "bad", "neutral"}) String tone) {}

  record Point(String sales, String pay) {}

  /**
   * A bar along the lane, from 0 to 1 with four decimals.
   *
   * @param more a lighter bar from the end on, such as open deals; null for none
   */
  record Bar(
      String from,
      String to,
      @Nullable String more,
      @Schema(allowableValues = {"good", "near", "bad", "neutral"}) String tone) {}

  static ExhibitData gone(String address) {
    return new ExhibitData("", "", "", address, true, null, List.of(), List.of());
  }
}
