package zealoustarget.server.transfer.backup;

import java.io.BufferedInputStream;
import java.io.BufferedOutputStream;
import java.io.DataInputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.jspecify.annotations.Nullable;
import org.springframework.util.FileSystemUtils;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;
import zealoustarget.server.platform.storage.CheckedZip;
import zealoustarget.server.platform.storage.DataFolder;
import zealoustarget.server.startup.Identities;
import zealoustarget.server.startup.Schema;

/**
 * A backup as a file: a ZIP of the rows of every table, of what they sum up to, and of a seal over
 * that. Laying it into a folder makes a new database and gives the rows to it as values; nothing
 * that stands in the file is run or opened.
 */
final class BackupFile {
  private static final String FORMAT = "zealous-backup/2";
  private static final String CONTENT = "content.json";
  private static final String SEAL = "seal.json";
  private static final String TABLES = "tables/";
  private static final JsonMapper JSON = new JsonMapper();

  /**
   * What stands in a backup.
   *
   * @param schema version of the tables
   * @param columns of each table, in the order of its rows' values
   */
  record Content(
      String format,
      String schema,
      String madeAt,
      Map<String, List<String>> columns,
      Map<String, TableSums.Sum> tables) {}

  private BackupFile() {}

  /**
   * Writes a backup, and reads it back before it gets its name.
   *
   * @param connection in a transaction that sees one state
   * @param target must not exist
   * @return what stands in it
   */
  static Content write(Connection connection, String madeAt, BackupKey key, Path target)
      throws IOException, SQLException {
    Path folder = Files.createTempDirectory(target.toAbsolutePath().getParent(), "check");
    Path part = target.resolveSibling(target.getFileName() + ".part");
    try {
      Files.deleteIfExists(part);
      Files.createFile(part);
      DataFolder.keepPrivate(part);
      Content content = writeRows(connection, madeAt, key, part);
      restore(part, folder.resolve("data"), key);
      Files.move(part, target);
      return content;
    } finally {
      Files.deleteIfExists(part);
      FileSystemUtils.deleteRecursively(folder);
    }
  }

  private static Content writeRows(Connection connection, String madeAt, BackupKey key, Path part)
      throws IOException, SQLException {
    Map<String, List<String>> columns = new TreeMap<>();
    Map<String, TableSums.Sum> sums = new TreeMap<>();
    try (ZipOutputStream zip =
        new ZipOutputStream(new BufferedOutputStream(Files.newOutputStream(part)))) {
      for (String table : TableRows.tables(connection)) {
        columns.put(table, TableRows.columns(connection, table));
        sums.put(table, TableSums.sum(connection, table, "*"));
        zip.putNextEntry(new ZipEntry(TABLES + table));
        DataOutputStream rows = new DataOutputStream(new BufferedOutputStream(zip, 1 << 16));
        TableRows.write(connection, table, rows);
        rows.flush();
        zip.closeEntry();
      }
      Content content = new Content(FORMAT, Schema.versionOf(connection), madeAt, columns, sums);
      byte[] bytes = JSON.writerWithDefaultPrettyPrinter().writeValueAsBytes(content);
      put(zip, CONTENT, bytes);
      put(zip, SEAL, JSON.writeValueAsBytes(key.seal(bytes)));
      return content;
    }
  }

  private static void put(ZipOutputStream zip, String name, byte[] bytes) throws IOException {
    zip.putNextEntry(new ZipEntry(name));
    zip.write(bytes);
    zip.closeEntry();
  }

  /**
   * Lays a backup into an empty data folder and compares every table with what was noted.
   *
   * @param key that it was sealed with; null where that cannot be checked and is not to be
   * @throws IOException in words, where the file is no backup, was changed or is sealed with
   *     another key; the folder is left empty
   */
  static Content restore(Path file, Path folder, @Nullable BackupKey key) throws IOException {
    try (CheckedZip zip = open(file)) {
      return restore(zip, file, folder, key);
    }
  }

  private static Content restore(CheckedZip zip, Path file, Path folder, @Nullable BackupKey key)
      throws IOException {
    Path database = DataFolder.databaseOfEmpty(folder);
    try {
      byte[] bytes = bytes(zip, CONTENT, file);
      Content content = content(zip, bytes, file);
      BackupKey.Seal seal = read(bytes(zip, SEAL, file), SEAL, BackupKey.Seal.class, file);
      if (key != null && !key.fits(seal, bytes)) {
        throw new IOException(BackupWords.BACKUP_WAS_CHANGED_OR_SEALED);
      }
      fill(zip, content, folder);
      RestoredData.note(folder, content.madeAt());
      DataFolder.keepPrivate(folder);
      return content;
    } catch (IOException failure) {
      Files.deleteIfExists(database);
      throw failure;
    }
  }

  private static CheckedZip open(Path file) throws IOException {
    try {
      return new CheckedZip(file);
    } catch (IOException none) {
      throw new IOException(BackupWords.isNotBackupOfThisApplication(file), none);
    }
  }

  private static Content content(CheckedZip zip, byte[] bytes, Path file) throws IOException {
    if (zip.getEntry(DataFolder.DATABASE) != null) {
      throw new IOException(BackupWords.wasMadeByEarlierVersion(file));
    }
    Content content = read(bytes, CONTENT, Content.class, file);
    if (!FORMAT.equals(content.format())) {
      throw new IOException(BackupWords.isOfFormatIsUnderstood(file, content.format(), FORMAT));
    }
    return content;
  }

  private static <T> T read(byte[] bytes, String name, Class<T> type, Path file)
      throws IOException {
    try {
      return JSON.readValue(bytes, type);
    } catch (JacksonException unreadable) {
      throw new IOException(BackupWords.ofCannotBeRead(name, file), unreadable);
    }
  }

  private static byte[] bytes(CheckedZip zip, String name, Path file) throws IOException {
    ZipEntry entry = zip.getEntry(name);
    if (entry == null) {
      throw new IOException(BackupWords.isNoBackupOfThisApplication(file));
    }
    try (InputStream in = zip.getInputStream(entry)) {
      return in.readAllBytes();
    }
  }

  private static void fill(CheckedZip zip, Content content, Path folder) throws IOException {
    String url = "jdbc:h2:file:" + folder.resolve("zealous").toAbsolutePath();
    Schema.make(url, content.schema());
    List<String> differing = new ArrayList<>();
    try (Connection connection = DriverManager.getConnection(url, "sa", "")) {
      try (Statement statement = connection.createStatement()) {
        statement.execute("set referential_integrity false");
      }
      for (String table : TableRows.tables(connection)) {
        List<String> columns = content.columns().get(table);
        ZipEntry entry = zip.getEntry(TABLES + table);
        if (entry == null
            || columns == null
            || !TableRows.columns(connection, table).equals(columns)) {
          throw new IOException(BackupWords.backupHasNoTable(table));
        }
        try (DataInputStream rows =
            new DataInputStream(new BufferedInputStream(zip.getInputStream(entry), 1 << 16))) {
          TableRows.read(connection, table, columns, rows);
        }
        Identities.restart(connection, table);
        if (!TableSums.sum(connection, table, "*").equals(content.tables().get(table))) {
          differing.add(table);
        }
      }
      try (Statement statement = connection.createStatement()) {
        statement.execute("set referential_integrity true");
        statement.execute("checkpoint sync");
      }
    } catch (SQLException refused) {
      throw new IOException(BackupWords.ROWS_DO_NOT_FIT, refused);
    }
    if (!differing.isEmpty()) {
      throw new IOException(BackupWords.tablesDiffer(String.join(", ", differing)));
    }
  }
}
