package zealoustarget.server.goals;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import zealoustarget.server.standing.export.Exports;
import zealoustarget.server.standing.export.Exports.Cell;
import zealoustarget.server.standing.export.Exports.Column;
import zealoustarget.server.standing.export.Exports.Format;
import zealoustarget.server.standing.export.Exports.Table;

/** A goal sheet as a table, in the wide form in which Intake takes goals. */
final class GoalExport {
  private static final int FIRST_MONTH = 3;
  private static final int QUARTERS = 4;

  private GoalExport() {}

  /**
   * The sheet as the draft has it.
   *
   * @param hasSums whether quarters and the year follow the months, as sums, and the sum of all
   *     rows stands on top; without them the file can be loaded as it is
   */
  static Table table(GoalDeskAnswer desk, boolean hasSums) {
    List<Column> columns = new ArrayList<>();
    columns.add(new Column(desk.axis(), Format.TEXT));
    columns.add(new Column("name", Format.TEXT));
    columns.add(new Column(desk.group() == null ? "group" : desk.group(), Format.TEXT));
    Format format =
        desk.isRate() || desk.isRange()
            ? Format.TEXT
            : desk.scale() == 0 ? Format.WHOLE : Format.MONEY;
    desk.months().forEach(month -> columns.add(new Column(month.month(), format)));
    boolean isSummed = hasSums && format != Format.TEXT;
    if (isSummed) {
      for (int quarter = 1; quarter <= QUARTERS; quarter++) {
        columns.add(new Column("Q" + quarter, format));
      }
      columns.add(new Column("FY " + desk.year(), format));
    }
    List<List<Cell>> rows = new ArrayList<>();
    if (isSummed) {
      rows.add(total(desk));
    }
    Map<String, String> groups = new HashMap<>();
    desk.groups()
        .forEach(group -> group.rows().forEach(key -> groups.put(key, group.sum().name())));
    for (GoalDeskAnswer.LineAnswer line : desk.rows()) {
      List<Cell> row = new ArrayList<>();
      row.add(Cell.of(line.key()));
      row.add(Cell.of(line.name()));
      row.add(Cell.of(groups.get(line.key())));
      line.cells().forEach(cell -> row.add(Cell.of(cell)));
      if (isSummed) {
        addSums(row, line, rows.size() + 2);
      }
      rows.add(row);
    }
    return new Table("Goals", columns, rows, isSummed ? 1 : 0, about(desk));
  }

  /** Every column's sum over the rows below. */
  private static List<Cell> total(GoalDeskAnswer desk) {
    List<Cell> row = new ArrayList<>(List.of(Cell.of(""), Cell.of("Total"), Cell.of("")));
    int last = desk.rows().size() + 2;
    List<@Nullable String> values = new ArrayList<>(desk.total().cells());
    values.addAll(desk.total().quarters());
    values.add(desk.total().total());
    for (int at = 0; at < values.size(); at++) {
      String column = Exports.letters(FIRST_MONTH + at);
      row.add(new Cell(values.get(at), "SUM(" + column + "3:" + column + last + ")"));
    }
    return row;
  }

  private static void addSums(List<Cell> row, GoalDeskAnswer.LineAnswer line, int number) {
    for (int quarter = 0; quarter < QUARTERS; quarter++) {
      String from = Exports.letters(FIRST_MONTH + quarter * 3) + number;
      String to = Exports.letters(FIRST_MONTH + quarter * 3 + 2) + number;
      row.add(new Cell(line.quarters().get(quarter), "SUM(" + from + ":" + to + ")"));
    }
    String from = Exports.letters(FIRST_MONTH) + number;
    String to = Exports.letters(FIRST_MONTH + QUARTERS * 3 - 1) + number;
    row.add(new Cell(line.total(), "SUM(" + from + ":" + to + ")"));
  }

  private static List<List<String>> about(GoalDeskAnswer desk) {
    List<List<String>> about = new ArrayList<>();
    about.add(List.of(GoalsWords.GOAL_SET, desk.goalSet()));
    about.add(List.of("Measure", desk.measure() + " (" + desk.unit() + ")"));
    about.add(List.of(GoalsWords.FISCAL_YEAR, Integer.toString(desk.year())));
    if (desk.draft() != null) {
      about.add(List.of("Draft", GoalsWords.changedCellsAreNotAppliedYet(desk.draft().changed())));
    }
    return about;
  }
}
