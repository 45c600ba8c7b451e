package zealoustarget.server.transfer.company;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.boot.WebApplicationType;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.boot.logging.LoggingSystem;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.util.FileSystemUtils;
import zealoustarget.server.Application;
import zealoustarget.server.access.accounts.CurrentAccount;
import zealoustarget.server.audit.Audit;
import zealoustarget.server.audit.AuditKind;
import zealoustarget.server.audit.AuditLinks;
import zealoustarget.server.files.Upload;
import zealoustarget.server.intake.upload.StagingService;
import zealoustarget.server.ledger.sealing.SealLinks;
import zealoustarget.server.platform.storage.DataFolder;
import zealoustarget.server.startup.Schema;

/**
 * Loads an export into an empty data folder: {@code ./run import FILE --data DIR}. The database is
 * made beside the folder's place and gets it only when every figure is that of the export.
 */
public final class CompanyImport {
  /**
   * What was loaded.
   *
   * @param figures rows of figures that were compared
   */
  public record Loaded(@Nullable String company, String madeAt, int loads, long figures) {}

  private CompanyImport() {}

  /** Takes the file and the folder; ends with 1 and words where it does not work. */
  public static void main(String[] arguments) {
    // the console is for what is said below
    LoggingSystem.get(CompanyImport.class.getClassLoader()).beforeInitialize();
    try {
      Loaded loaded = into(Path.of(arguments[0]), Path.of(arguments[1]));
      System.out.printf(
          CompanyWords.LOADED, loaded.company(), loaded.madeAt(), loaded.loads(), loaded.figures());
    } catch (IOException failure) {
      System.err.println(failure.getMessage());
      System.exit(1);
    }
  }

  /**
   * Loads an export.
   *
   * @throws IOException in words; the folder is as it was then
   */
  static Loaded into(Path file, Path folder) throws IOException {
    Path database = DataFolder.databaseOfEmpty(folder);
    Path part = folder.resolve("import.part");
    FileSystemUtils.deleteRecursively(part);
    Files.createDirectories(part);
    try (ExportFile from = new ExportFile(file)) {
      readTables(from, part);
      long figures = open(from, part);
      Files.move(part.resolve(DataFolder.DATABASE), database);
      Description said = from.description();
      return new Loaded(said.company(), said.madeAt(), said.loads().size(), figures);
    } finally {
      FileSystemUtils.deleteRecursively(part);
    }
  }

  private static void readTables(ExportFile from, Path part) throws IOException {
    String url = "jdbc:h2:file:" + part.resolve("zealous").toAbsolutePath();
    Description description = from.description();
    Schema.make(url, description.schema());
    try (Connection connection = DriverManager.getConnection(url, "sa", "")) {
      execute(connection, "set referential_integrity false");
      for (Description.Table table : description.tables()) {
        TableFiles.read(connection, table, from);
      }
      LoadRowsReader rows = new LoadRowsReader(connection);
      for (Description.Load load : description.loads()) {
        rows.read(load, from);
      }
      for (Description.Table table : description.tables()) {
        checkReferences(connection, table);
      }
      checkRecord(connection, description);
    } catch (SQLException failure) {
      throw new IOException(CompanyWords.exportCouldNotBeStored(failure.getMessage()), failure);
    }
  }

  /** Trail and seals have to read as they were written; rows are compared once it is started. */
  private static void checkRecord(Connection connection, Description description)
      throws SQLException, IOException {
    if (!Schema.isLinked(description.schema())) {
      return; // exported by a version that linked nothing
    }
    AuditLinks.setHead(connection);
    List<String> faults = new ArrayList<>(AuditLinks.verify(connection).faults());
    faults.addAll(SealLinks.verify(connection).faults());
    if (!faults.isEmpty()) {
      throw new IOException(CompanyWords.exportWasChanged(String.join(" ", faults)));
    }
  }

  private static void checkReferences(Connection connection, Description.Table table)
      throws IOException {
    try {
      execute(
          connection, "alter table \"" + table.table() + "\" set referential_integrity true check");
    } catch (SQLException dangling) {
      throw new IOException(
          CompanyWords.namesUnknown(table.file(), dangling.getMessage()), dangling);
    }
  }

  private static void execute(Connection connection, String command) throws SQLException {
    try (Statement statement = connection.createStatement()) {
      statement.execute(command);
    }
  }

  private static ConfigurableApplicationContext start(Path part) throws IOException {
    try {
      return new SpringApplicationBuilder(Application.class)
          .web(WebApplicationType.NONE)
          .run(
              "--zealous.data-dir=" + part,
              "--zealous.seed-dir=",
              "--zealous.accounts.with-code=false",
              "--logging.level.root=off",
              "--logging.level.zealoustarget=off");
    } catch (RuntimeException failure) {
      Throwable cause = failure;
      while (cause.getCause() != null) {
        cause = cause.getCause();
      }
      throw new IOException(CompanyWords.doesNotFitTogether(cause.getMessage()), failure);
    }
  }

  /** Starts on it, keeps the files as they came with their lines, and compares the figures. */
  private static long open(ExportFile from, Path part) throws IOException {
    try (ConfigurableApplicationContext context = start(part)) {
      return CurrentAccount.getAsSystem("console", () -> checked(from, context));
    }
  }

  private static long checked(ExportFile from, ConfigurableApplicationContext context)
      throws IOException {
    keepOriginals(from, context.getBean(StagingService.class));
    long figures = context.getBean(CompanyFigures.class).compare(from);
    String subject = CompanyWords.companyLoadedFromExport(from.description().madeAt());
    context.getBean(Audit.class).add(AuditKind.BACKUP, subject, null, null);
    return figures;
  }

  private static void keepOriginals(ExportFile from, StagingService staging) throws IOException {
    for (Description.Load load : from.description().loads()) {
      if (load.original() != null) {
        staging.keepAgain(load.load(), Upload.of(load.name(), from.bytes(load.original())));
      }
    }
  }
}
