package zealoustarget.server.standing.export;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.member.Axis;
import zealoustarget.server.standing.export.Exports.Cell;
import zealoustarget.server.standing.export.Exports.Column;
import zealoustarget.server.standing.export.Exports.Format;
import zealoustarget.server.standing.export.Exports.Table;
import zealoustarget.server.standing.view.ReadingAnswer;
import zealoustarget.server.standing.view.SpanSheetAnswer;
import zealoustarget.server.standing.view.StandingAnswer;

/** Puts a standing or a sheet of months into a table to be taken along. */
final class ExportTables {
  private static final int FIRST_ROW = 2;

  private ExportTables() {}

  /** A standing with variance and percentages as formulas over actual and goal. */
  static Table of(StandingAnswer standing) {
    return new StandingTable(standing).table();
  }

  /** The columns of one standing, and where each is. */
  private static final class StandingTable {
    private final StandingAnswer standing;
    private final Format amounts;
    private final boolean isRange;
    private final List<Column> columns = new ArrayList<>();
    private final int actual;
    private final int goal;

    StandingTable(StandingAnswer standing) {
      this.standing = standing;
      this.isRange = standing.isRange();
      this.amounts = Format.ofAmounts(standing.unit(), standing.scale());
      columns.add(new Column(capital(standing.axis()), Format.TEXT));
      columns.add(new Column("Key", Format.TEXT));
      columns.add(new Column(ExportWords.BELONGS_TO, Format.TEXT));
      if (standing.group() != null) {
        columns.add(new Column("Group", Format.TEXT));
      }
      String unit = standing.unit().equals("count") ? "" : ", " + standing.unit();
      actual = columns.size();
      columns.add(new Column("Actual" + unit, amounts));
      goal = columns.size();
      if (isRange) {
        columns.add(new Column("From" + unit, amounts));
        columns.add(new Column("To" + unit, amounts));
      } else {
        columns.add(new Column("Goal" + unit + " (" + standing.goal() + ")", amounts));
      }
      columns.add(new Column("Variance", amounts));
      columns.add(new Column("Variance %", Format.PERCENT));
      columns.add(new Column("Percent-to-goal", Format.PERCENT));
      columns.add(new Column("Status", Format.TEXT));
      if (standing.openMonth() != null) {
        columns.add(new Column(ExportWords.goalToDate(unit), amounts));
        columns.add(new Column(ExportWords.STATUS_TO_DATE, Format.TEXT));
      }
      columns.add(new Column(ExportWords.MONTHS_WITH_GOAL, Format.WHOLE));
      columns.add(new Column(ExportWords.STATUS_OF_MONTHS_WITH_GOAL, Format.TEXT));
      columns.add(new Column(ExportWords.correctionsSinceClose(unit), amounts));
      columns.add(new Column(ExportWords.LAST_YEAR, amounts));
      columns.add(new Column(ExportWords.CHANGE_ON_PRIOR_PERIOD, Format.PERCENT));
      columns.add(new Column("Reason", Format.TEXT));
      if (standing.beside() != null) {
        columns.add(new Column(ExportWords.goal(standing.beside()), amounts));
        columns.add(new Column(ExportWords.variance(standing.beside()), amounts));
      }
      if (standing.companyGoal() != null) {
        columns.add(new Column(ExportWords.SHARE_OF_COMPANYS_GOAL, amounts));
      }
    }

    Table table() {
      List<ReadingAnswer> readings = new ArrayList<>();
      if (standing.group() == null) {
        readings.addAll(standing.rows());
      } else {
        for (ReadingAnswer group : Objects.requireNonNull(standing.groups())) {
          readings.add(inItsGroup(group));
          standing.rows().stream()
              .filter(row -> Objects.requireNonNull(row.group()).equals(group.key()))
              .forEach(readings::add);
        }
      }
      List<List<Cell>> rows = new ArrayList<>();
      rows.add(total(readings.size()));
      readings.forEach(reading -> rows.add(row(reading, rows.size() + FIRST_ROW)));
      if (standing.unassigned().lines() > 0 && standing.group() == null) {
        rows.add(unassigned());
      }
      if (standing.corrections() != null && standing.corrections().lines() > 0) {
        rows.add(named(ExportWords.CORRECTIONS_SINCE_CLOSE, standing.corrections().actual()));
      }
      if (standing.unsplit() != null) {
        List<Cell> cells = named(ExportWords.GOALS_NOT_SPLIT_BY_THESE_GROUPS, null);
        cells.set(goal, Cell.of(standing.unsplit().goal()));
        rows.add(cells);
      }
      return new Table("Standing", columns, rows, 1, about(standing));
    }

    private static ReadingAnswer inItsGroup(ReadingAnswer group) {
      ReadingAnswer.Beyond had = group.beyond();
      return group.with(
          new ReadingAnswer.Beyond(
              null,
              group.key(),
              had.beside(),
              null,
              null,
              had.correction(),
              false,
              null,
              had.shareOfCompany()));
    }

    /** Sums where rows add up: not of rates, of groups with their subtotals, or of a part. */
    private List<Cell> total(int readings) {
      List<Cell> cells = row(standing.total(), FIRST_ROW);
      cells.set(0, Cell.of("All"));
      boolean isSum = !standing.unit().equals("rate") && standing.group() == null && readings > 0;
      if (isSum) {
        int last = FIRST_ROW + readings + (standing.unassigned().lines() > 0 ? 1 : 0);
        cells.set(actual, sum(actual, last, cells.get(actual)));
        for (int at = goal; at <= (isRange ? goal + 1 : goal); at++) {
          if (cells.get(at).value() != null && !standing.isDerived()) {
            cells.set(at, sum(at, last, cells.get(at)));
          }
        }
      }
      return cells;
    }

    private static Cell sum(int at, int lastRow, Cell value) {
      String letter = Exports.letters(at);
      return new Cell(
          value.value(), "SUM(" + letter + (FIRST_ROW + 1) + ":" + letter + lastRow + ")");
    }

    private List<Cell> unassigned() {
      long lines = standing.unassigned().lines();
      return named(
          ExportWords.linesWithout(lines, standing.axis()), standing.unassigned().actual());
    }

    /** A line that explains the total and is no row. */
    private List<Cell> named(String name, @Nullable String amount) {
      List<Cell> cells =
          new ArrayList<>(
              columns.stream().map(column -> Cell.of(null)).collect(Collectors.toList()));
      cells.set(0, Cell.of(name));
      cells.set(actual, Cell.of(amount));
      return cells;
    }

    private List<Cell> row(ReadingAnswer reading, int number) {
      List<Cell> cells = new ArrayList<>();
      cells.add(Cell.of(reading.name()));
      cells.add(Cell.of(reading.key()));
      cells.add(Cell.of(reading.place()));
      if (standing.group() != null) {
        cells.add(Cell.of(reading.group()));
      }
      cells.add(Cell.of(reading.actual()));
      if (isRange) {
        cells.add(Cell.of(reading.goalLow()));
        cells.add(Cell.of(reading.goalHigh()));
      } else {
        cells.add(Cell.of(reading.goal()));
      }
      String a = Exports.letters(actual) + number;
      String g = Exports.letters(goal) + number;
      String h = Exports.letters(goal + 1) + number;
      String middle = "((" + g + "+" + h + ")/2)";
      cells.add(
          computed(
              reading.variance(),
              isRange ? "MAX(" + a + "-" + h + ",0)+MIN(" + a + "-" + g + ",0)" : a + "-" + g));
      cells.add(computed(reading.variancePercent(), "(" + a + "-" + g + ")/ABS(" + g + ")"));
      cells.add(computed(reading.attainment(), a + "/" + (isRange ? middle : g)));
      cells.add(Cell.of(reading.noReading() == null ? reading.status() : reading.noReading()));
      if (standing.openMonth() != null) {
        cells.add(Cell.of(reading.toDate() == null ? null : reading.toDate().goal()));
        cells.add(Cell.of(reading.toDate() == null ? null : reading.toDate().status()));
      }
      cells.add(Cell.of(Integer.toString(reading.goalMonths())));
      cells.add(Cell.of(reading.comparable() == null ? null : reading.comparable().status()));
      ReadingAnswer.Correction correction = reading.beyond().correction();
      cells.add(Cell.of(correction == null ? null : correction.actual()));
      cells.add(Cell.of(reading.yearBefore()));
      cells.add(Cell.of(reading.growth()));
      cells.add(Cell.of(notes(reading)));
      if (standing.beside() != null) {
        cells.add(Cell.of(reading.beside() == null ? null : reading.beside().goal()));
        String b = Exports.letters(cells.size() - 1) + number;
        cells.add(
            computed(reading.beside() == null ? null : reading.beside().variance(), a + "-" + b));
      }
      if (standing.companyGoal() != null) {
        cells.add(Cell.of(reading.beyond().shareOfCompany()));
      }
      return cells;
    }

    /** Where the figure is undefined there is no formula either. */
    private static Cell computed(@Nullable String value, String formula) {
      return new Cell(value, value == null ? null : formula);
    }

    private static @Nullable String notes(ReadingAnswer reading) {
      return reading.notes() == null
          ? null
          : reading.notes().stream()
              .map(
                  note ->
                      note.month()
                          + ": "
                          + (note.reasonName() == null ? "" : note.reasonName())
                          + (note.reasonName() == null || note.text().isEmpty() ? "" : ", ")
                          + note.text())
              .collect(Collectors.joining("; "));
    }
  }

  /** Members down, months across, with sums as formulas both ways. */
  static Table of(SpanSheetAnswer sheet, StandingAnswer standing) {
    Format amounts = Format.ofAmounts(standing.unit(), standing.scale());
    List<Column> columns = new ArrayList<>();
    columns.add(new Column(capital(standing.axis()), Format.TEXT));
    columns.add(new Column("Key", Format.TEXT));
    sheet.months().forEach(month -> columns.add(new Column(month, amounts)));
    columns.add(new Column("Total", amounts));
    List<List<Cell>> rows = new ArrayList<>();
    List<Cell> totals = new ArrayList<>(List.of(Cell.of("All"), Cell.of(null)));
    sheet.totals().forEach(cell -> totals.add(Cell.of(cell.actual())));
    totals.add(across(sheet.total().actual(), sheet.months().size(), FIRST_ROW, standing));
    rows.add(totals);
    for (SpanSheetAnswer.SheetRow row : sheet.rows()) {
      List<Cell> cells =
          new ArrayList<>(List.of(Cell.of(row.whole().name()), Cell.of(row.whole().key())));
      row.cells().forEach(cell -> cells.add(Cell.of(cell == null ? null : cell.actual())));
      cells.add(across(row.whole().actual(), sheet.months().size(), rows.size() + 2, standing));
      rows.add(cells);
    }
    return new Table("Months", columns, rows, 1, about(standing));
  }

  private static Cell across(@Nullable String value, int months, int row, StandingAnswer standing) {
    String range = Exports.letters(2) + row + ":" + Exports.letters(1 + months) + row;
    return new Cell(value, standing.unit().equals("rate") ? null : "SUM(" + range + ")");
  }

  /** Orders rows as the screen does: {@code -favourable} falls by favourable variance. */
  static StandingAnswer sorted(StandingAnswer standing, String sort) {
    Comparator<ReadingAnswer> order = RowOrder.of(sort);
    return order == null
        ? standing
        : standing.withRows(standing.rows().stream().sorted(order).toList());
  }

  private static List<List<String>> about(StandingAnswer standing) {
    String headline =
        standing.headline().stream()
            .map(StandingAnswer.HeadlinePart::text)
            .collect(Collectors.joining());
    List<List<String>> lines = new ArrayList<>();
    lines.add(List.of("Headline", headline));
    lines.add(List.of("Measure", standing.measureName() + ", " + standing.unit()));
    lines.add(List.of("Rows", Axis.findByWord(standing.axis()).orElseThrow().word(2)));
    lines.add(List.of("Months", ExportWords.to(standing.from(), standing.to())));
    lines.add(List.of(ExportWords.COMPARED_WITH, standing.goal()));
    lines.add(
        List.of(
            ExportWords.CLOSED_MONTHS,
            standing.closed().equals("restated") ? "restated" : ExportWords.AS_CLOSED));
    if (!standing.emptyMonths().isEmpty()) {
      lines.add(List.of(ExportWords.NO_ACTUALS_YET, String.join(", ", standing.emptyMonths())));
    }
    if (standing.openMonth() != null) {
      lines.add(
          List.of(
              ExportWords.OPEN_MONTH,
              ExportWords.asOfWorkingDay(
                  standing.openMonth().asOf(),
                  standing.openMonth().elapsed(),
                  standing.openMonth().workingDays())));
    }
    lines.add(List.of(ExportWords.STATUS_THRESHOLDS, standing.ladder()));
    if (standing.leftOut().members() > 0) {
      lines.add(
          List.of(
              ExportWords.NOT_SHOWN,
              ExportWords.rowsWith(standing.leftOut().members(), standing.leftOut().actual())));
    }
    return lines;
  }

  private static String capital(String word) {
    return Character.toUpperCase(word.charAt(0)) + word.substring(1);
  }
}
