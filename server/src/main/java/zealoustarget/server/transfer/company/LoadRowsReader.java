package zealoustarget.server.transfer.company;

import de.siegmar.fastcsv.reader.NamedCsvRecord;
import java.io.IOException;
import java.math.BigDecimal;
import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Function;
import zealoustarget.core.amount.Amounts;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.intake.LoadKind;
import zealoustarget.core.intake.LoadRow;
import zealoustarget.core.member.Axis;
import zealoustarget.core.member.Member;
import zealoustarget.core.outlook.Deal;
import zealoustarget.server.ledger.storage.PackedRows;
import zealoustarget.server.ledger.storage.RowStore;

/** Reads back the rows of loads that {@link LoadRowsWriter} wrote. */
final class LoadRowsReader {
  private static final int BATCH = 1_000;

  private final Connection connection;
  private final Map<Axis, Map<String, Integer>> ids = new EnumMap<>(Axis.class);

  /** Into a database whose members are there. */
  LoadRowsReader(Connection connection) throws SQLException {
    this.connection = connection;
    ids.put(Axis.COMPANY, Map.of(Member.COMPANY.key(), Member.COMPANY.id()));
    try (Statement statement = connection.createStatement();
        ResultSet row = statement.executeQuery("select id, axis, member_key from member")) {
      while (row.next()) {
        ids.computeIfAbsent(Axis.valueOf(row.getString(2)), axis -> new HashMap<>())
            .put(row.getString(3), row.getInt(1));
      }
    }
  }

  /** Reads back what a load brought. */
  void read(Description.Load load, ExportFile from) throws IOException, SQLException {
    for (Description.Rows rows : load.files()) {
      LoadKind kind =
          LoadKind.findByWord(rows.kind())
              .orElseThrow(() -> new IOException(CompanyWords.noKind(rows.kind())));
      long read =
          switch (kind) {
            case ACTUALS -> readActuals(load, rows, from);
            case GOALS -> readGoals(load, rows, from);
            case ROSTER -> readStays(load, rows, from);
            case PRODUCTS -> readProducts(load, rows, from);
            case DEALS -> readDeals(load, rows, from);
          };
      if (read != rows.rows()) {
        throw new IOException(CompanyWords.hasRowsAreDescribed(rows.file(), read, rows.rows()));
      }
    }
  }

  private long readActuals(Description.Load load, Description.Rows rows, ExportFile from)
      throws IOException, SQLException {
    int form = rows.form() == null ? PackedRows.FIRST_FORM : rows.form();
    return insertParts(
        "actual_part",
        load,
        rows,
        from,
        record -> actual(record, load.amounts()),
        gathered -> PackedRows.pack(gathered, form));
  }

  private <T> long insertParts(
      String table,
      Description.Load load,
      Description.Rows rows,
      ExportFile from,
      Function<NamedCsvRecord, T> row,
      Function<List<T>, byte[]> pack)
      throws IOException, SQLException {
    try (PreparedStatement insert =
        connection.prepareStatement(
            "insert into " + table + " (id, load_id, row_count, content) values (?, ?, ?, ?)")) {
      Parts<T> parts = new Parts<>(insert, load.load(), pack);
      long read = from.rows(rows.file(), record -> parts.add(row.apply(record)));
      parts.flush();
      return read;
    }
  }

  /** Writes rows of a load in parts. */
  private static final class Parts<T> {
    private final PreparedStatement insert;
    private final int load;
    private final Function<List<T>, byte[]> pack;
    private final List<T> gathered = new ArrayList<>(PackedRows.SIZE);
    private long number;

    Parts(PreparedStatement insert, int load, Function<List<T>, byte[]> pack) {
      this.insert = insert;
      this.load = load;
      this.pack = pack;
    }

    void add(T row) throws SQLException {
      gathered.add(row);
      if (gathered.size() == PackedRows.SIZE) {
        flush();
      }
    }

    void flush() throws SQLException {
      if (gathered.isEmpty()) {
        return;
      }
      insert.setLong(1, RowStore.firstId(load) + number++);
      insert.setInt(2, load);
      insert.setInt(3, gathered.size());
      insert.setBytes(4, pack.apply(gathered));
      insert.executeUpdate();
      gathered.clear();
    }
  }

  private LoadRow.Actual actual(NamedCsvRecord row, List<Description.Amount> amounts) {
    String day = row.getField("date");
    return new LoadRow.Actual(
        Integer.parseInt(row.getField(LoadRowsWriter.LINE)),
        month(row, "month"),
        day.isEmpty() ? null : LocalDate.parse(day),
        id(row, Axis.REP),
        id(row, Axis.REGION),
        id(row, Axis.PRODUCT),
        row.getField("order").isEmpty() ? null : Cells.read(row.getField("order")),
        amounts(row, amounts));
  }

  private static int month(NamedCsvRecord row, String column) {
    return Months.number(YearMonth.parse(row.getField(column)));
  }

  private int id(NamedCsvRecord row, Axis axis) {
    String cell = row.getField(axis.word());
    if (cell.isEmpty()) {
      return -1;
    }
    Integer id = ids.getOrDefault(axis, Map.of()).get(Cells.read(cell));
    if (id == null) {
      throw new IllegalArgumentException(CompanyWords.isUnknownMember(axis.word(), cell));
    }
    return id;
  }

  private static long[] amounts(NamedCsvRecord row, List<Description.Amount> amounts) {
    long[] values = new long[amounts.size()];
    int first = row.getFieldCount() - values.length; // a measure may be called as a column before
    for (int at = 0; at < values.length; at++) {
      String cell = row.getField(first + at);
      values[at] = amount(cell, amounts.get(at).decimals());
    }
    return values;
  }

  private static long amount(String cell, int decimals) {
    if (cell.isEmpty()) {
      return Amounts.NONE;
    }
    return cell.equals(LoadRowsWriter.CLEARED)
        ? Amounts.CLEARED
        : new BigDecimal(cell).setScale(decimals).unscaledValue().longValueExact();
  }

  /** Fills one insertion. */
  private interface Filler {
    void fill(PreparedStatement insert, NamedCsvRecord row) throws SQLException;
  }

  private long insert(
      String table,
      String columns,
      Description.Load load,
      Description.Rows rows,
      ExportFile from,
      Filler filler)
      throws IOException, SQLException {
    long[] number = {0};
    String values = "?, ?, ?" + ", ?".repeat(columns.split(",").length);
    try (PreparedStatement insert =
        connection.prepareStatement(
            "insert into "
                + table
                + " (id, load_id, line, "
                + columns
                + ") values ("
                + values
                + ")")) {
      long read =
          from.rows(
              rows.file(),
              record -> {
                insert.setLong(1, RowStore.firstId(load.load()) + number[0]++);
                insert.setInt(2, load.load());
                insert.setInt(3, Integer.parseInt(record.getField(LoadRowsWriter.LINE)));
                filler.fill(insert, record);
                insert.addBatch();
                if (number[0] % BATCH == 0) {
                  insert.executeBatch();
                }
              });
      insert.executeBatch();
      return read;
    }
  }

  private long readGoals(Description.Load load, Description.Rows rows, ExportFile from)
      throws IOException, SQLException {
    Axis axis =
        Axis.findByWord(load.axis() == null ? "" : load.axis())
            .orElseThrow(() -> new IOException(CompanyWords.hasGoalsOfNoAxis(rows.file())));
    return insertParts(
        "goal_part",
        load,
        rows,
        from,
        row ->
            new LoadRow.Goal(
                Integer.parseInt(row.getField(LoadRowsWriter.LINE)),
                month(row, "month"),
                id(row, axis),
                amounts(row, load.amounts())),
        PackedRows::packGoals);
  }

  private long readDeals(Description.Load load, Description.Rows rows, ExportFile from)
      throws IOException, SQLException {
    return insertParts(
        "deal_part",
        load,
        rows,
        from,
        row -> {
          String stage = row.getField("stage");
          return new Deal(
              Integer.parseInt(row.getField(LoadRowsWriter.LINE)),
              Cells.read(row.getField("deal")),
              id(row, Axis.REP),
              id(row, Axis.PRODUCT),
              id(row, Axis.REGION),
              new BigDecimal(row.getField("likelihood"))
                  .setScale(LoadRowsWriter.SHARE_PLACES)
                  .unscaledValue()
                  .intValueExact(),
              month(row, "closes"),
              Deal.State.valueOf(row.getField("state").toUpperCase(Locale.ROOT)),
              stage.isEmpty() ? null : Cells.read(stage),
              amounts(row, load.amounts()));
        },
        PackedRows::packDeals);
  }

  private long readStays(Description.Load load, Description.Rows rows, ExportFile from)
      throws IOException, SQLException {
    return insert(
        "stay_row",
        "rep_id, name, region_id, manager_id, from_month, until_month, mail",
        load,
        rows,
        from,
        (insert, row) -> {
          insert.setInt(4, id(row, Axis.REP));
          insert.setString(5, Cells.read(row.getField("name")));
          insert.setInt(6, id(row, Axis.REGION));
          insert.setInt(7, id(row, Axis.MANAGER));
          insert.setInt(8, month(row, "from"));
          insert.setObject(9, row.getField("until").isEmpty() ? null : month(row, "until"));
          String mail = row.findField("mail").map(Cells::read).orElse("");
          insert.setString(10, mail.isEmpty() ? null : mail);
        });
  }

  private long readProducts(Description.Load load, Description.Rows rows, ExportFile from)
      throws IOException, SQLException {
    return insert(
        "product_row",
        "product_id, name, line_id",
        load,
        rows,
        from,
        (insert, row) -> {
          insert.setInt(4, id(row, Axis.PRODUCT));
          insert.setString(5, Cells.read(row.getField("name")));
          insert.setInt(6, id(row, Axis.LINE));
        });
  }
}
