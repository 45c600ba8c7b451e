package zealoustarget.server.goals;

import java.time.YearMonth;
import java.util.List;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.calendar.Span;
import zealoustarget.core.calendar.SpanWords;
import zealoustarget.server.intake.entered.EnteredGoals;

/**
 * Changed cells of a goal sheet that wait for a second person.
 *
 * @param axis its word
 * @param measure its code
 * @param cells at least one
 */
record GoalProposal(String goalSet, String axis, String measure, List<GoalDrafts.Cell> cells) {
  static GoalProposal of(GoalSheet sheet, List<EnteredGoals.Cell> changed) {
    return new GoalProposal(
        sheet.goalSet(),
        sheet.axis().word(),
        sheet.measure().code(),
        changed.stream()
            .map(
                cell ->
                    new GoalDrafts.Cell(
                        cell.member().key(), Months.of(cell.month()), cell.before(), cell.after()))
            .toList());
  }

  /** From the first month that changes to the last. */
  Span span() {
    List<YearMonth> months = cells.stream().map(GoalDrafts.Cell::month).sorted().toList();
    return new Span(months.get(0), months.get(months.size() - 1));
  }

  /** Such as "quota, 3 cells, October to December 2026". */
  String subject() {
    Span span = span();
    String from = SpanWords.name(span.fromInclusive());
    return GoalsWords.cells(
        goalSet, cells.size(), span.length(), from, SpanWords.name(span.toInclusive()));
  }
}
