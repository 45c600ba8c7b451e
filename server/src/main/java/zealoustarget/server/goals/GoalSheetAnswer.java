package zealoustarget.server.goals;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.calendar.Span;
import zealoustarget.core.ledger.columns.GoalBook;
import zealoustarget.core.ledger.query.StandingQuery;
import zealoustarget.core.member.Member;
import zealoustarget.core.reading.Goal;
import zealoustarget.core.reading.Reading;

/**
 * A goal sheet as it travels: amounts as decimal strings in the measure's decimals, of a range an
 * object with {@code low} and {@code high}.
 *
 * @param rows members with a goal in the span, by key
 * @param totals by month; a month without any goal is not in it
 * @param tag the state that a save is based on
 */
record GoalSheetAnswer(
    String goalSet,
    String axis,
    String measure,
    String from,
    String to,
    List<RowAnswer> rows,
    Map<String, @Nullable Object> totals,
    String tag) {
  /**
   * One member's goals.
   *
   * @param cells by month; a month without a goal is not in it
   * @param total of a rate weighted by its denominator, null where that is unknown
   */
  record RowAnswer(
      String key,
      String name,
      @Schema(description = "amounts by month, or {low, high} of a range")
          Map<String, Object> cells,
      @Schema(description = "an amount, or {low, high} of a range") @Nullable Object total) {}

  record RangeAnswer(String low, String high) {}

  static GoalSheetAnswer of(GoalSheet sheet, String tag) {
    Map<Integer, List<GoalBook.Cell>> byMember = new TreeMap<>();
    Map<Integer, List<GoalBook.Cell>> byMonth = new TreeMap<>();
    for (GoalBook.Cell cell : sheet.cells()) {
      byMember.computeIfAbsent(cell.member(), member -> new ArrayList<>()).add(cell);
      byMonth.computeIfAbsent(cell.month(), month -> new ArrayList<>()).add(cell);
    }
    Map<String, RowAnswer> rows = new TreeMap<>();
    byMember.forEach(
        (id, cells) -> {
          Member member = sheet.ledger().members().get(sheet.axis(), id);
          Map<String, Object> texts = new TreeMap<>();
          cells.forEach(
              cell ->
                  texts.put(
                      Months.of(cell.month()).toString(),
                      text(cell.amount(), cell.highEnd(), sheet)));
          rows.put(
              member.key(),
              new RowAnswer(
                  member.key(),
                  member.name(),
                  texts,
                  sheet.measure().isRate() ? rate(sheet, sheet.span(), id) : sum(cells, sheet)));
        });
    Map<String, @Nullable Object> totals = new TreeMap<>();
    byMonth.forEach(
        (month, cells) ->
            totals.put(
                Months.of(month).toString(),
                sheet.measure().isRate()
                    ? rate(sheet, Span.of(Months.of(month)), null)
                    : sum(cells, sheet)));
    return new GoalSheetAnswer(
        sheet.goalSet(),
        sheet.axis().word(),
        sheet.measure().code(),
        sheet.span().fromInclusive().toString(),
        sheet.span().toInclusive().toString(),
        List.copyOf(rows.values()),
        totals,
        tag);
  }

  private static Object sum(List<GoalBook.Cell> cells, GoalSheet sheet) {
    long low = 0;
    long high = 0;
    for (GoalBook.Cell cell : cells) {
      low = Math.addExact(low, cell.amount());
      high = Math.addExact(high, cell.highEnd());
    }
    return text(low, high, sheet);
  }

  private static Object text(long low, long high, GoalSheet sheet) {
    Measure measure = sheet.measure();
    return sheet.isRange()
        ? new RangeAnswer(measure.text(low), measure.text(high))
        : measure.text(low);
  }

  /** A rate's goal over several cells, as a standing weighs it; null where it cannot. */
  private static @Nullable Object rate(GoalSheet sheet, Span span, @Nullable Integer member) {
    StandingQuery query = sheet.against(span);
    Reading reading =
        member == null
            ? sheet.ledger().total(query).reading()
            : sheet.ledger().reading(query, member).reading();
    Goal goal = reading.goal();
    if (goal instanceof Goal.Range range) {
      return new RangeAnswer(sheet.measure().text(range.low()), sheet.measure().text(range.high()));
    }
    return goal instanceof Goal.Single single ? sheet.measure().text(single.amount()) : null;
  }
}
