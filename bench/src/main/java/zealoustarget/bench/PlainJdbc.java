package zealoustarget.bench;

import de.siegmar.fastcsv.reader.CsvReader;
import de.siegmar.fastcsv.reader.CsvRecord;
import java.io.IOException;
import java.math.BigDecimal;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;

/** The baseline of loading: parse the file, insert its rows by JDBC batches, check nothing. */
public final class PlainJdbc {
  private static final int BATCH = 1_000;
  private static final int COMMIT = 10_000;

  private PlainJdbc() {}

  /**
   * Loads each of some files into a database of its own, the first to warm up, and prints the
   * median of the others in seconds a million lines.
   */
  public static void main(String[] files) throws Exception {
    Path folder = Files.createTempDirectory("plain");
    try {
      List<Double> taken = new ArrayList<>();
      for (String file : files) {
        long start = System.nanoTime();
        load(Path.of(file), folder.resolve("plain" + taken.size()));
        double seconds = (System.nanoTime() - start) / 1e9;
        try (Stream<String> lines = Files.lines(Path.of(file))) {
          taken.add(seconds / (lines.count() - 1) * 1e6);
        }
      }
      taken.remove(0);
      System.out.printf(
          Locale.ROOT, "%.1f%n", taken.stream().sorted().toList().get(taken.size() / 2));
    } finally {
      Bench.delete(folder);
    }
  }

  static void load(Path file, Path database) throws IOException, SQLException {
    try (Connection connection = DriverManager.getConnection(url(database), "sa", "");
        Statement create = connection.createStatement()) {
      create.execute(
          "create table actual_row (id bigint primary key, load_id int, line int,"
              + " booking_month int, booking_day date, rep_id int, region_id int, product_id int,"
              + " order_key varchar(60), amounts bigint array)");
      connection.setAutoCommit(false);
      insert(file, connection);
    }
  }

  static String url(Path database) {
    return "jdbc:h2:file:" + database + ";WRITE_DELAY=0";
  }

  private static void insert(Path file, Connection connection) throws IOException, SQLException {
    try (CsvReader<CsvRecord> records = CsvReader.builder().ofCsvRecord(file);
        PreparedStatement insert =
            connection.prepareStatement(
                "insert into actual_row values (?, 1, ?, ?, ?, ?, -1, ?, ?, ?)")) {
      long row = 0;
      for (CsvRecord one : records) {
        if (one.getStartingLineNumber() == 1) {
          continue;
        }
        row++;
        bind(insert, one, row);
        insert.addBatch();
        if (row % BATCH == 0) {
          insert.executeBatch();
        }
        if (row % COMMIT == 0) {
          connection.commit();
        }
      }
      insert.executeBatch();
      connection.commit();
    }
  }

  private static void bind(PreparedStatement insert, CsvRecord one, long row) throws SQLException {
    LocalDate day = LocalDate.parse(one.getField(0));
    insert.setLong(1, row);
    insert.setInt(2, (int) one.getStartingLineNumber());
    insert.setInt(3, day.getYear() * 12 + day.getMonthValue() - 1);
    insert.setObject(4, day);
    insert.setInt(5, Integer.parseInt(one.getField(2).substring(1)));
    insert.setInt(6, Integer.parseInt(one.getField(3).substring(1)));
    insert.setString(7, one.getField(1));
    insert.setObject(
        8,
        new Long[] {
          new BigDecimal(one.getField(4)).movePointRight(2).longValueExact(),
          Long.valueOf(one.getField(5))
        });
  }
}
