package zealoustarget.server.transfer.company;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.LongStream;
import org.flywaydb.core.Flyway;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import tools.jackson.databind.json.JsonMapper;
import zealoustarget.core.amount.Amounts;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.intake.LoadRow;
import zealoustarget.core.member.Axis;
import zealoustarget.core.outlook.Deal;
import zealoustarget.server.ledger.storage.LedgerMigrations;
import zealoustarget.server.ledger.storage.PackedRows;
import zealoustarget.server.transfer.backup.TableSums;

/** Any rows of loads come back as they were, to the byte of their parts. */
class LoadRowsTest {
  private static final int LOAD = 7;
  private static final List<String> KEYS =
      List.of("K1", "=1+1", "'K", "-North", "a,b", "two\nlines", "\"said\"", "Ärger", "@x", " k ");
  private static final List<Axis> AXES =
      List.of(Axis.REP, Axis.REGION, Axis.MANAGER, Axis.PRODUCT, Axis.LINE);
  private static final List<Description.Amount> AMOUNTS =
      List.of(
          new Description.Amount("revenue", 2),
          new Description.Amount("rep", 0), // a measure may be called like a column
          new Description.Amount("rate", 8));

  @TempDir Path folder;

  static LongStream seeds() {
    return LongStream.range(0, 12);
  }

  private Connection empty(String name) throws SQLException {
    String url = "jdbc:h2:file:" + folder.resolve(name);
    Flyway.configure()
        .dataSource(url, "sa", "")
        .javaMigrations(LedgerMigrations.all())
        .load()
        .migrate();
    Connection connection = DriverManager.getConnection(url, "sa", "");
    try (PreparedStatement insert =
        connection.prepareStatement("insert into member values (?, ?, ?, ?)")) {
      int id = 0;
      for (Axis axis : AXES) {
        for (String key : KEYS) {
          insert.setInt(1, ++id);
          insert.setString(2, axis.name());
          insert.setString(3, key);
          insert.setString(4, key.toLowerCase());
          insert.executeUpdate();
        }
      }
    }
    return connection;
  }

  private static int member(Random random, Axis axis) {
    return 1 + AXES.indexOf(axis) * KEYS.size() + random.nextInt(KEYS.size());
  }

  private static int perhaps(Random random, Axis axis) {
    return random.nextInt(4) == 0 ? -1 : member(random, axis);
  }

  private static long[] amounts(Random random) {
    long[] amounts = new long[AMOUNTS.size()];
    for (int at = 0; at < amounts.length; at++) {
      amounts[at] =
          random.nextInt(5) == 0
              ? Amounts.NONE
              : random.nextLong(-1_000_000_000_000_000L, 1_000_000_000_000_001L);
    }
    return amounts;
  }

  private static LoadRow.Actual actual(Random random, int line) {
    LocalDate day = LocalDate.of(2026, 1, 1).plusDays(random.nextInt(700));
    boolean hasDay = random.nextBoolean();
    return new LoadRow.Actual(
        line,
        Months.number(java.time.YearMonth.from(day)),
        hasDay ? day : null,
        perhaps(random, Axis.REP),
        perhaps(random, Axis.REGION),
        perhaps(random, Axis.PRODUCT),
        random.nextInt(3) == 0 ? null : KEYS.get(random.nextInt(KEYS.size())) + line,
        amounts(random));
  }

  private static void fill(Connection connection, Random random) throws SQLException {
    long first = (long) LOAD << 32;
    int form = random.nextBoolean() ? PackedRows.FIRST_FORM : PackedRows.FORM;
    int rows = random.nextInt(2 * PackedRows.SIZE + 10);
    List<LoadRow.Actual> part = new ArrayList<>();
    try (PreparedStatement insert =
        connection.prepareStatement("insert into actual_part values (?, ?, ?, ?)")) {
      int parts = 0;
      for (int row = 0; row < rows; row++) {
        part.add(actual(random, 2 + row * (1 + random.nextInt(2))));
        if (part.size() == PackedRows.SIZE || row == rows - 1) {
          insert.setLong(1, first + parts++);
          insert.setInt(2, LOAD);
          insert.setInt(3, part.size());
          insert.setBytes(4, PackedRows.pack(part, form));
          insert.executeUpdate();
          part.clear();
        }
      }
    }
    try (Statement statement = connection.createStatement()) {
      for (int row = 0; row < random.nextInt(40); row++) {
        statement.execute(
            "insert into stay_row values (%d, %d, %d, %d, '=name %d', %d, %d, %d, %s, %s)"
                .formatted(
                    first + row,
                    LOAD,
                    row + 2,
                    member(random, Axis.REP),
                    row,
                    perhaps(random, Axis.REGION),
                    perhaps(random, Axis.MANAGER),
                    24_300,
                    random.nextBoolean() ? "null" : "24310",
                    random.nextBoolean() ? "null" : "'a@b.example'"));
        statement.execute(
            "insert into product_row values (%d, %d, %d, %d, 'p %d', %d)"
                .formatted(
                    first + row,
                    LOAD,
                    row + 2,
                    member(random, Axis.PRODUCT),
                    row,
                    perhaps(random, Axis.LINE)));
      }
    }
  }

  private static void fillGoals(Connection connection, Random random) throws SQLException {
    List<LoadRow.Goal> part = new ArrayList<>();
    int rows = random.nextInt(2 * PackedRows.SIZE);
    try (PreparedStatement insert =
        connection.prepareStatement("insert into goal_part values (?, ?, ?, ?)")) {
      long id = (long) LOAD << 32;
      for (int row = 0; row < rows; row++) {
        int month = 24_300 + random.nextInt(30);
        long[] amounts = amounts(random);
        if (random.nextInt(6) == 0) {
          amounts[0] = Amounts.CLEARED;
        }
        part.add(new LoadRow.Goal(row + 2, month, member(random, Axis.REGION), amounts));
        if (part.size() == PackedRows.SIZE || row == rows - 1) {
          insert.setLong(1, id++);
          insert.setInt(2, LOAD);
          insert.setInt(3, part.size());
          insert.setBytes(4, PackedRows.packGoals(part));
          insert.executeUpdate();
          part.clear();
        }
      }
    }
  }

  private static void fillDeals(Connection connection, Random random) throws SQLException {
    List<Deal> part = new ArrayList<>();
    int rows = random.nextInt(2 * PackedRows.SIZE);
    try (PreparedStatement insert =
        connection.prepareStatement("insert into deal_part values (?, ?, ?, ?)")) {
      long id = (long) LOAD << 32;
      for (int row = 0; row < rows; row++) {
        long[] amounts = amounts(random);
        for (int at = 0; at < amounts.length; at++) {
          amounts[at] = amounts[at] == Amounts.NONE ? Amounts.NONE : Math.abs(amounts[at]);
        }
        part.add(
            new Deal(
                row + 2,
                KEYS.get(random.nextInt(KEYS.size())) + row,
                member(random, Axis.REP),
                perhaps(random, Axis.PRODUCT),
                perhaps(random, Axis.REGION),
                random.nextInt(Deal.CERTAIN + 1),
                24_300 + random.nextInt(30),
                Deal.State.values()[random.nextInt(3)],
                random.nextBoolean() ? null : "=stage " + random.nextInt(3),
                amounts));
        if (part.size() == PackedRows.SIZE || row == rows - 1) {
          insert.setLong(1, id++);
          insert.setInt(2, LOAD);
          insert.setInt(3, part.size());
          insert.setBytes(4, PackedRows.packDeals(part));
          insert.executeUpdate();
          part.clear();
        }
      }
    }
  }

  private static Map<String, TableSums.Sum> rows(Connection connection) throws SQLException {
    Map<String, TableSums.Sum> sums = TableSums.of(connection);
    sums.keySet().retainAll(CompanyTables.BY_LOAD);
    return sums;
  }

  @ParameterizedTest
  @MethodSource("seeds")
  void rows_comeBackAsTheyWere(long seed) throws Exception {
    Path file = folder.resolve("rows.zip");
    try (Connection before = empty("before");
        Connection after = empty("after")) {
      Random random = new Random(seed);
      fill(before, random);
      fillGoals(before, random);
      fillDeals(before, random);
      try (ZipFiles zip = new ZipFiles(file)) {
        List<Description.Rows> files =
            new LoadRowsWriter(before).write(LOAD, Axis.REGION, AMOUNTS, zip);
        Description.Load load =
            new Description.Load(LOAD, "any.csv", null, Axis.REGION.word(), AMOUNTS, files);
        Description said =
            new Description(
                Description.FORMAT, "6", "Any", "2026-11-01", 0, List.of(), List.of(load));
        zip.bytes(Description.FILE, new JsonMapper().writeValueAsBytes(said));
      }
      try (ExportFile from = new ExportFile(file)) {
        new LoadRowsReader(after).read(from.description().loads().get(0), from);
      }
      assertThat(rows(after)).as("seed %d", seed).isEqualTo(rows(before));
    }
  }
}
