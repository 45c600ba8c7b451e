package zealoustarget.server.transfer.company;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Clock;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javax.sql.DataSource;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Service;
import tools.jackson.databind.json.JsonMapper;
import zealoustarget.core.Refusal;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.member.Axis;
import zealoustarget.server.audit.Audit;
import zealoustarget.server.audit.AuditKind;
import zealoustarget.server.files.OriginalStore;
import zealoustarget.server.platform.state.DataState;
import zealoustarget.server.platform.storage.Leftovers;
import zealoustarget.server.platform.storage.Snapshot;
import zealoustarget.server.rules.RulesService;
import zealoustarget.server.startup.Schema;

/** Writes the whole company as open files: CSV and JSON in one ZIP, all of one state. */
@Service
class CompanyExport {
  private static final Logger LOG = LoggerFactory.getLogger(CompanyExport.class);
  private static final int TRIES = 3;

  private final DataSource database;
  private final CompanyFigures figures;
  private final RulesService companyRules;
  private final OriginalStore originals;
  private final DataState state;
  private final Audit audit;
  private final Clock clock;
  private final JsonMapper json;
  private final Path folder;

  CompanyExport(
      DataSource database,
      CompanyFigures figures,
      RulesService companyRules,
      OriginalStore originals,
      DataState state,
      Audit audit,
      Clock clock,
      JsonMapper json,
      @Value("${zealous.data-dir}") String dataFolder) {
    this.database = database;
    this.figures = figures;
    this.companyRules = companyRules;
    this.originals = originals;
    this.state = state;
    this.audit = audit;
    this.clock = clock;
    this.json = json;
    this.folder = Path.of(dataFolder).resolve("export");
    Leftovers.delete(folder, "*.zip");
  }

  /**
   * Writes an export to a file of its own, which the caller deletes.
   *
   * @throws Refusal export-failed, saying why
   */
  Path make() {
    try {
      Files.createDirectories(folder);
      for (int tried = 0; tried < TRIES; tried++) {
        Path file = Files.createTempFile(folder, "company", ".zip");
        boolean isWritten = false;
        try {
          isWritten = isWritten(file);
        } finally {
          if (!isWritten) {
            Files.delete(file);
          }
        }
        if (isWritten) {
          audit.add(AuditKind.BACKUP, CompanyWords.COMPANY_EXPORTED, null, null);
          return file;
        }
      }
    } catch (IOException | SQLException failure) {
      LOG.error("no export was made", failure);
      throw Refusal.of("export-failed", CompanyWords.NO_EXPORT_WAS_MADE);
    }
    throw Refusal.of("export-failed", CompanyWords.RULES_CHANGED_MEANWHILE);
  }

  /** Writes one; false where something changed between the figures and the tables. */
  private boolean isWritten(Path file) throws IOException, SQLException {
    return Snapshot.read(database, connection -> isWritten(connection, file));
  }

  private boolean isWritten(Connection connection, Path file) throws IOException, SQLException {
    try (ZipFiles zip = new ZipFiles(file)) {
      // nothing but notes can change meanwhile
      boolean isOfOneState = state.getInTurn(() -> areFiguresWritten(connection, zip));
      if (isOfOneState) {
        writeRows(connection, zip);
      }
      return isOfOneState;
    }
  }

  private boolean areFiguresWritten(Connection connection, ZipFiles zip) throws IOException {
    try {
      long before = state.latestNumber();
      begin(connection);
      zip.bytes(Description.RULES, companyRules.asFile());
      zip.csv(Description.STANDING, figures::writeStandings);
      zip.csv(Description.EARNINGS, figures::writeEarnings);
      return state.latestNumber() == before;
    } catch (SQLException failure) {
      throw new IOException(failure);
    }
  }

  private static void begin(Connection connection) throws SQLException {
    try (Statement statement = connection.createStatement()) {
      statement.executeQuery("select count(*) from load").close();
    }
  }

  private void writeRows(Connection connection, ZipFiles zip) throws IOException, SQLException {
    List<Description.Table> tables = new ArrayList<>();
    for (CompanyTables.Plain table : CompanyTables.PLAIN) {
      tables.add(TableFiles.write(connection, table, zip));
    }
    List<Description.Load> written = writeLoads(connection, zip);
    zip.bytes(
        Description.FILE,
        json.writerWithDefaultPrettyPrinter()
            .writeValueAsBytes(
                new Description(
                    Description.FORMAT,
                    Schema.versionOf(connection),
                    one(connection, "select content from setting where name = 'company.name'"),
                    clock.instant().toString(),
                    Integer.parseInt(
                        one(
                            connection,
                            "select count(*) from load where not ("
                                + CompanyTables.COUNTING
                                + ")")),
                    tables,
                    written)));
  }

  private static @Nullable String one(Connection connection, String query) throws SQLException {
    try (Statement statement = connection.createStatement();
        ResultSet row = statement.executeQuery(query)) {
      return row.next() ? row.getString(1) : null;
    }
  }

  /** A load as it stands in the table. */
  private record Counting(int id, String fileName, String contentHash, @Nullable Axis axis) {}

  private List<Description.Load> writeLoads(Connection connection, ZipFiles zip)
      throws IOException, SQLException {
    List<Counting> counting = new ArrayList<>();
    try (Statement statement = connection.createStatement();
        ResultSet row =
            statement.executeQuery(
                "select l.id, l.file_name, l.content_hash, g.axis from load l"
                    + " left join goal_set g on g.id = l.goal_set_id where l."
                    + CompanyTables.COUNTING
                    + " order by l.id")) {
      while (row.next()) {
        String axis = row.getString(4);
        counting.add(
            new Counting(
                row.getInt(1),
                row.getString(2),
                row.getString(3),
                axis == null ? null : Axis.valueOf(axis)));
      }
    }
    LoadRowsWriter rows = new LoadRowsWriter(connection);
    Map<String, Integer> decimals = decimals(connection);
    Map<String, String> kept = new HashMap<>();
    List<Description.Load> written = new ArrayList<>();
    for (Counting load : counting) {
      List<Description.Amount> amounts = amounts(connection, load.id(), decimals);
      written.add(
          new Description.Load(
              load.id(),
              load.fileName(),
              original(load, kept, zip),
              load.axis() == null ? null : load.axis().word(),
              amounts,
              rows.write(load.id(), load.axis(), amounts, zip)));
    }
    return written;
  }

  /** The file as it came, once per content; null where it is not kept. */
  private @Nullable String original(Counting load, Map<String, String> kept, ZipFiles zip)
      throws IOException {
    String before = kept.get(load.contentHash());
    if (before != null) {
      return before;
    }
    Optional<InputStream> content = originals.open(load.contentHash());
    if (content.isEmpty()) {
      return null;
    }
    String name =
        "originals/"
            + load.contentHash().substring(0, 12)
            + "-"
            + load.fileName().replaceAll("[^\\p{L}\\p{N}._ -]", "_");
    try (InputStream in = content.get()) {
      zip.copy(name, in);
    }
    kept.put(load.contentHash(), name);
    return name;
  }

  private static Map<String, Integer> decimals(Connection connection) throws SQLException {
    Map<String, Integer> decimals = new HashMap<>();
    try (Statement statement = connection.createStatement();
        ResultSet row = statement.executeQuery("select code, scale from measure")) {
      while (row.next()) {
        decimals.put(row.getString(1), row.getInt(2));
      }
    }
    return decimals;
  }

  /** A load's measures with their decimals; one that is gone is written in whole numbers. */
  private static List<Description.Amount> amounts(
      Connection connection, int load, Map<String, Integer> decimals) throws SQLException {
    List<Description.Amount> amounts = new ArrayList<>();
    try (Statement statement = connection.createStatement();
        ResultSet row =
            statement.executeQuery(
                "select measure from load_sum where load_id = " + load + " order by place")) {
      while (row.next()) {
        String code = row.getString(1);
        amounts.add(new Description.Amount(code, decimals.getOrDefault(Measure.ownCode(code), 0)));
      }
    }
    return amounts;
  }
}
