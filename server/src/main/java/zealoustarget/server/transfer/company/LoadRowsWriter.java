package zealoustarget.server.transfer.company;

import java.io.IOException;
import java.math.BigDecimal;
import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Amounts;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.intake.LoadKind;
import zealoustarget.core.intake.LoadRow;
import zealoustarget.core.member.Axis;
import zealoustarget.core.member.Member;
import zealoustarget.server.ledger.storage.PackedRows;
import zealoustarget.server.ledger.storage.RowStore;

/** Writes the rows of loads, with keys and decimals as in the files that are loaded. */
final class LoadRowsWriter {
  /** The line of the file that was loaded. */
  static final String LINE = "file_line";

  /** Stands where an entered line takes a goal away. */
  static final String CLEARED = "none";

  /** Decimals of a likelihood as a share. */
  static final int SHARE_PLACES = 8;

  private final Connection connection;
  private final Map<Integer, String> keys = new HashMap<>();

  /** Over a database whose members are there. */
  LoadRowsWriter(Connection connection) throws SQLException {
    this.connection = connection;
    keys.put(Member.COMPANY.id(), Member.COMPANY.key());
    try (Statement statement = connection.createStatement();
        ResultSet row = statement.executeQuery("select id, member_key from member")) {
      while (row.next()) {
        keys.put(row.getInt(1), row.getString(2));
      }
    }
  }

  /** Writes what a load brought; a load of actuals may bring goals beside them. */
  List<Description.Rows> write(
      int load, @Nullable Axis axis, List<Description.Amount> amounts, ZipFiles zip)
      throws IOException, SQLException {
    List<Description.Rows> files = new ArrayList<>();
    add(files, zip, load, LoadKind.ACTUALS, out -> actuals(load, amounts, out));
    add(files, zip, load, LoadKind.GOALS, out -> goals(load, axis, amounts, out));
    add(files, zip, load, LoadKind.ROSTER, out -> stays(load, out));
    add(files, zip, load, LoadKind.PRODUCTS, out -> products(load, out));
    add(files, zip, load, LoadKind.DEALS, out -> deals(load, amounts, out));
    return files;
  }

  private void add(
      List<Description.Rows> files, ZipFiles zip, int load, LoadKind kind, ZipFiles.Rows rows)
      throws IOException, SQLException {
    if (!isIn(table(kind), load)) {
      return;
    }
    String name = String.format(Locale.ROOT, "loads/%05d-%s.csv", load, kind.word());
    Integer form = kind == LoadKind.ACTUALS ? form(load) : null;
    files.add(new Description.Rows(kind.word(), name, zip.csv(name, rows), form));
  }

  private int form(int load) throws SQLException {
    try (PreparedStatement statement = range("select content from actual_part", load)) {
      statement.setMaxRows(1);
      try (ResultSet row = statement.executeQuery()) {
        row.next();
        return PackedRows.formOf(row.getBytes(1));
      }
    }
  }

  private static String table(LoadKind kind) {
    return switch (kind) {
      case ACTUALS -> "actual_part";
      case GOALS -> "goal_part";
      case ROSTER -> "stay_row";
      case PRODUCTS -> "product_row";
      case DEALS -> "deal_part";
    };
  }

  private boolean isIn(String table, int load) throws SQLException {
    try (PreparedStatement statement = range("select 1 from " + table, load);
        ResultSet row = statement.executeQuery()) {
      return row.next();
    }
  }

  private PreparedStatement range(String select, int load) throws SQLException {
    PreparedStatement statement =
        connection.prepareStatement(select + " where id between ? and ? order by id");
    statement.setLong(1, RowStore.firstId(load));
    statement.setLong(2, RowStore.firstId(load + 1) - 1);
    return statement;
  }

  private static List<String> header(List<String> first, List<Description.Amount> amounts) {
    List<String> header = new ArrayList<>(first);
    amounts.forEach(amount -> header.add(amount.measure()));
    return header;
  }

  private void actuals(int load, List<Description.Amount> amounts, Consumer<List<String>> out)
      throws SQLException {
    out.accept(
        header(List.of(LINE, "month", "date", "rep", "region", "product", "order"), amounts));
    eachPart(
        "actual_part",
        load,
        content ->
            PackedRows.unpack(content).forEach(actual -> out.accept(cells(actual, amounts))));
  }

  /** One part after the other, so that no two are in memory. */
  private void eachPart(String table, int load, Consumer<byte[]> to) throws SQLException {
    List<Long> parts = new ArrayList<>();
    try (PreparedStatement statement = range("select id from " + table, load);
        ResultSet row = statement.executeQuery()) {
      while (row.next()) {
        parts.add(row.getLong(1));
      }
    }
    try (PreparedStatement statement =
        connection.prepareStatement("select content from " + table + " where id = ?")) {
      for (long part : parts) {
        statement.setLong(1, part);
        try (ResultSet row = statement.executeQuery()) {
          row.next();
          to.accept(row.getBytes(1));
        }
      }
    }
  }

  private List<String> cells(LoadRow.Actual row, List<Description.Amount> amounts) {
    List<String> cells = new ArrayList<>();
    cells.add(Integer.toString(row.line()));
    cells.add(Months.of(row.month()).toString());
    cells.add(row.day() == null ? "" : row.day().toString());
    cells.add(key(row.rep()));
    cells.add(key(row.region()));
    cells.add(key(row.product()));
    cells.add(Cells.written(row.order()));
    addAmounts(cells, row.amounts(), amounts);
    return cells;
  }

  private String key(int member) {
    return member < 0 ? "" : Cells.written(keys.get(member));
  }

  private static void addAmounts(List<String> cells, long[] row, List<Description.Amount> amounts) {
    for (int at = 0; at < row.length; at++) {
      cells.add(
          row[at] == Amounts.NONE
              ? ""
              : row[at] == Amounts.CLEARED
                  ? CLEARED
                  : BigDecimal.valueOf(row[at], amounts.get(at).decimals()).toPlainString());
    }
  }

  private void goals(
      int load, @Nullable Axis axis, List<Description.Amount> amounts, Consumer<List<String>> out)
      throws SQLException {
    out.accept(header(List.of(LINE, "month", Objects.requireNonNull(axis).word()), amounts));
    eachPart(
        "goal_part",
        load,
        content ->
            PackedRows.eachGoal(
                content,
                row -> {
                  List<String> cells = new ArrayList<>();
                  cells.add(Integer.toString(row.line()));
                  cells.add(Months.of(row.month()).toString());
                  cells.add(key(row.member()));
                  addAmounts(cells, row.amounts(), amounts);
                  out.accept(cells);
                }));
  }

  private void deals(int load, List<Description.Amount> amounts, Consumer<List<String>> out)
      throws SQLException {
    out.accept(
        header(
            List.of(
                LINE, "deal", "rep", "product", "region", "likelihood", "closes", "state", "stage"),
            amounts));
    eachPart(
        "deal_part",
        load,
        content ->
            PackedRows.eachDeal(
                content,
                deal -> {
                  List<String> cells = new ArrayList<>();
                  cells.add(Integer.toString(deal.line()));
                  cells.add(Cells.written(deal.key()));
                  cells.add(key(deal.rep()));
                  cells.add(key(deal.product()));
                  cells.add(key(deal.region()));
                  cells.add(BigDecimal.valueOf(deal.likelihood(), SHARE_PLACES).toPlainString());
                  cells.add(Months.of(deal.month()).toString());
                  cells.add(deal.state().name().toLowerCase(Locale.ROOT));
                  cells.add(deal.stage() == null ? "" : Cells.written(deal.stage()));
                  addAmounts(cells, deal.amounts(), amounts);
                  out.accept(cells);
                }));
  }

  private void stays(int load, Consumer<List<String>> out) throws SQLException {
    out.accept(List.of(LINE, "rep", "name", "region", "manager", "from", "until", "mail"));
    try (PreparedStatement statement =
            range(
                "select line, rep_id, name, region_id, manager_id, from_month, until_month, mail"
                    + " from stay_row",
                load);
        ResultSet row = statement.executeQuery()) {
      while (row.next()) {
        int until = row.getInt(7);
        out.accept(
            List.of(
                row.getString(1),
                key(row.getInt(2)),
                Cells.written(row.getString(3)),
                key(row.getInt(4)),
                key(row.getInt(5)),
                Months.of(row.getInt(6)).toString(),
                row.getObject(7) == null ? "" : Months.of(until).toString(),
                row.getString(8) == null ? "" : Cells.written(row.getString(8))));
      }
    }
  }

  private void products(int load, Consumer<List<String>> out) throws SQLException {
    out.accept(List.of(LINE, "product", "name", "line"));
    try (PreparedStatement statement =
            range("select line, product_id, name, line_id from product_row", load);
        ResultSet row = statement.executeQuery()) {
      while (row.next()) {
        out.accept(
            List.of(
                row.getString(1),
                key(row.getInt(2)),
                Cells.written(row.getString(3)),
                key(row.getInt(4))));
      }
    }
  }
}
