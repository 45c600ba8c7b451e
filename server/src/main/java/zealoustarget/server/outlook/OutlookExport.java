package zealoustarget.server.outlook;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.member.Axis;
import zealoustarget.server.outlook.OutlookAnswer.RowAnswer;
import zealoustarget.server.standing.export.Exports;
import zealoustarget.server.standing.export.Exports.Cell;
import zealoustarget.server.standing.export.Exports.Column;
import zealoustarget.server.standing.export.Exports.Format;
import zealoustarget.server.standing.export.Exports.Table;
import zealoustarget.server.standing.view.StandingAnswer.HeadlinePart;

/** An outlook as a table to take along; what is computed from other columns is a formula there. */
final class OutlookExport {
  private static final int FIRST_ROW = 2;

  private final OutlookAnswer outlook;
  private final List<Column> columns = new ArrayList<>();
  private final int actual;

  private OutlookExport(OutlookAnswer outlook) {
    this.outlook = outlook;
    Format amounts = Format.ofAmounts(outlook.unit(), outlook.scale());
    String unit = outlook.unit().equals("count") ? "" : ", " + outlook.unit();
    columns.add(new Column(capital(axis().word(1)), Format.TEXT));
    columns.add(new Column("ID", Format.TEXT));
    columns.add(new Column(OutlookWords.BELONGS_TO, Format.TEXT));
    if (outlook.group() != null) {
      columns.add(new Column("Group", Format.TEXT));
    }
    actual = columns.size();
    columns.add(new Column("Actual" + unit, amounts));
    columns.add(new Column("Goal" + unit + " (" + outlook.goal() + ")", amounts));
    columns.add(new Column(OutlookWords.TO_GO, amounts));
    columns.add(new Column(OutlookWords.OPEN_DEALS, Format.WHOLE));
    columns.add(new Column("Open" + unit, amounts));
    columns.add(new Column("Weighted" + unit, amounts));
    columns.add(new Column("Overdue" + unit, amounts));
    columns.add(new Column("Expected" + unit, amounts));
    columns.add(new Column(OutlookWords.atBest(unit), amounts));
    columns.add(new Column(OutlookWords.EXPECTED_OF_GOAL, Format.PERCENT));
    columns.add(new Column("Coverage", Format.PERCENT));
    columns.add(new Column("Likelihood", Format.PERCENT));
    columns.add(new Column(OutlookWords.LIKELIHOOD_NEEDED, Format.PERCENT));
    columns.add(new Column(OutlookWords.EXPECTED_STATUS, Format.TEXT));
  }

  /**
   * All rows; with groups each behind its group's line. The total is on top.
   *
   * @param outlook its rows in the order that is wanted
   */
  static Table of(OutlookAnswer outlook) {
    return new OutlookExport(outlook).table();
  }

  private static String capital(String word) {
    return Character.toUpperCase(word.charAt(0)) + word.substring(1);
  }

  private Axis axis() {
    return Axis.findByWord(outlook.axis()).orElseThrow();
  }

  private Table table() {
    List<RowAnswer> shown = new ArrayList<>();
    if (outlook.groups() == null) {
      shown.addAll(outlook.rows());
    } else {
      for (RowAnswer group : outlook.groups()) {
        shown.add(group);
        outlook.rows().stream()
            .filter(row -> Objects.equals(row.group(), group.key()))
            .forEach(shown::add);
      }
    }
    List<List<Cell>> rows = new ArrayList<>();
    rows.add(cells(outlook.total(), FIRST_ROW));
    rows.get(0).set(0, Cell.of("All"));
    shown.forEach(row -> rows.add(cells(row, rows.size() + FIRST_ROW)));
    return new Table("Outlook", columns, rows, 1, about());
  }

  private List<Cell> cells(RowAnswer row, int number) {
    String a = at(0, number);
    String goal = at(1, number);
    String open = at(4, number);
    String weighted = at(5, number);
    List<Cell> cells = new ArrayList<>();
    cells.add(Cell.of(row.name()));
    cells.add(Cell.of(row.key()));
    cells.add(Cell.of(row.place()));
    if (outlook.group() != null) {
      cells.add(Cell.of(row.group()));
    }
    cells.add(Cell.of(row.actual()));
    cells.add(Cell.of(row.goal()));
    cells.add(computed(row.toGo(), "MAX(" + goal + "-" + a + ",0)"));
    cells.add(Cell.of(Integer.toString(row.deals())));
    cells.add(Cell.of(row.open()));
    cells.add(Cell.of(row.weighted()));
    cells.add(Cell.of(row.overdue()));
    cells.add(computed(row.expected(), a + "+" + weighted));
    cells.add(computed(row.atBest(), a + "+" + open));
    cells.add(computed(share(row.shown().expectedPercent()), at(7, number) + "/" + goal));
    cells.add(computed(row.coverage(), open + "/" + at(2, number)));
    cells.add(computed(row.likelihood(), weighted + "/" + open));
    cells.add(computed(row.likelihoodNeeded(), at(2, number) + "/" + open));
    cells.add(Cell.of(row.noReading() == null ? row.expectedStatus() : row.noReading()));
    return cells;
  }

  /** A cell of a row by its place from the actual on. */
  private String at(int fromActual, int number) {
    return Exports.letters(actual + fromActual) + number;
  }

  private static Cell computed(@Nullable String value, String formula) {
    return new Cell(value, value == null ? null : formula);
  }

  private static @Nullable String share(@Nullable String percent) {
    return percent == null ? null : new BigDecimal(percent).movePointLeft(2).toPlainString();
  }

  private List<List<String>> about() {
    List<List<String>> lines = new ArrayList<>();
    lines.add(
        List.of(
            "Headline",
            outlook.headline().stream().map(HeadlinePart::text).collect(Collectors.joining())));
    lines.add(List.of("Rows", axis().word(2)));
    lines.add(List.of("Months", OutlookWords.to(outlook.from(), outlook.to())));
    lines.add(List.of(OutlookWords.COMPARED_WITH, outlook.goal()));
    lines.add(
        List.of(
            OutlookWords.DEALS_AS_OF,
            outlook.asOf() == null ? OutlookWords.NO_DEALS_YET : outlook.asOf()));
    if (!outlook.tried().isEmpty()) {
      lines.add(List.of(OutlookWords.TRIAL_NOT_SAVED, String.join("; ", outlook.tried())));
    }
    if (outlook.overridden() != null) {
      lines.add(
          List.of(
              OutlookWords.OVERRIDDEN_DEALS,
              OutlookWords.weightedWouldBeWithout(
                  outlook.overridden().deals(), outlook.overridden().weighted())));
    }
    if (outlook.difference() != null) {
      lines.add(List.of(OutlookWords.TO_GO, outlook.difference()));
    }
    return lines;
  }
}
