package zealoustarget.server.transfer.company;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What an export says of itself, in {@code company.json}; docs/formats.md tells how to read it.
 *
 * @param format {@link #FORMAT}
 * @param schema version of the database that the tables are of
 * @param notPosted loads that are left behind, as nothing of them counts
 */
record Description(
    String format,
    String schema,
    @Nullable String company,
    String madeAt,
    int notPosted,
    List<Table> tables,
    List<Load> loads) {
  static final String FORMAT = "zealous-company/1";
  static final String FILE = "company.json";
  static final String RULES = "playbook.json";
  static final String STANDING = "figures/standing.csv";
  static final String EARNINGS = "figures/earnings.csv";

  /** One table as it is. */
  record Table(
      String table, String file, @Nullable String about, long rows, List<Column> columns) {}

  /**
   * One column.
   *
   * @param type of SQL; of a column of files, {@code FILE}: the cells name them
   */
  record Column(String name, String type, String about) {}

  /**
   * A load's rows.
   *
   * @param name of the file that was loaded
   * @param original where that file is, as it came; null where it is not kept
   * @param axis of its goals, null without
   * @param amounts its measures, in their order
   */
  record Load(
      int load,
      String name,
      @Nullable String original,
      @Nullable String axis,
      List<Amount> amounts,
      List<Rows> files) {}

  /** A measure's column; amounts have that many decimals. */
  record Amount(String measure, int decimals) {}

  /**
   * A file of rows.
   *
   * @param kind {@code actuals}, {@code goals}, {@code roster} or {@code products}
   * @param form in which actuals were stored, which their digest is over; the first where it is not
   *     said
   */
  record Rows(String kind, String file, long rows, @Nullable Integer form) {}
}
