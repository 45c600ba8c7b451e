package zealoustarget.server.backup;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.springframework.util.FileSystemUtils;
import tools.jackson.databind.json.JsonMapper;
import zealoustarget.server.platform.CheckedZip;
import zealoustarget.server.platform.DataFolder;

/** A backup as a file: a ZIP of the database and of what stands in its tables. */
final class BackupFile {
  private static final String CONTENT = "content.json";
  private static final JsonMapper JSON = new JsonMapper();

  /** What stands in the database. */
  record Content(String madeAt, Map<String, TableSums.Sum> tables) {}

  private BackupFile() {}

  /**
   * Puts a backup together, and reads it back before it gets its name.
   *
   * @param database the database's own copy of itself, a ZIP
   * @param target must not exist
   * @return what stands in it
   */
  static Content write(Path database, String madeAt, Path target) throws IOException {
    Path folder = Files.createTempDirectory(target.toAbsolutePath().getParent(), "check");
    Path part = target.resolveSibling(target.getFileName() + ".part");
    try {
      unpack(database, DataFolder.DATABASE, folder.resolve(DataFolder.DATABASE));
      Content content = new Content(madeAt, sums(folder));
      try (OutputStream out = Files.newOutputStream(part);
          ZipOutputStream zip = new ZipOutputStream(out)) {
        zip.putNextEntry(new ZipEntry(CONTENT));
        zip.write(JSON.writerWithDefaultPrettyPrinter().writeValueAsBytes(content));
        zip.closeEntry();
        zip.putNextEntry(new ZipEntry(DataFolder.DATABASE));
        Files.copy(folder.resolve(DataFolder.DATABASE), zip);
        zip.closeEntry();
      }
      Files.delete(folder.resolve(DataFolder.DATABASE));
      unpack(part, DataFolder.DATABASE, folder.resolve(DataFolder.DATABASE));
      if (!sums(folder).equals(content.tables())) {
        throw new IOException("the backup does not read back as it was written");
      }
      Files.move(part, target);
      return content;
    } finally {
      Files.deleteIfExists(part);
      FileSystemUtils.deleteRecursively(folder);
    }
  }

  /**
   * Lays a backup into an empty data folder and compares every table with what was noted.
   *
   * @throws IOException in words, where the file is no backup or differs; the folder is left empty
   */
  static Content restore(Path file, Path folder) throws IOException {
    Path database = DataFolder.databaseOfEmpty(folder);
    try {
      Content content = content(file);
      unpack(file, DataFolder.DATABASE, database);
      List<String> differing = new ArrayList<>();
      Map<String, TableSums.Sum> found = sums(folder);
      content
          .tables()
          .forEach(
              (table, sum) -> {
                if (!sum.equals(found.get(table))) {
                  differing.add(table);
                }
              });
      if (!differing.isEmpty()) {
        throw new IOException(
            "The backup is damaged: "
                + String.join(", ", differing)
                + " differ from what was noted.");
      }
      return content;
    } catch (IOException failure) {
      Files.deleteIfExists(database);
      throw failure;
    }
  }

  private static Content content(Path file) throws IOException {
    try (CheckedZip zip = new CheckedZip(file)) {
      ZipEntry entry = zip.getEntry(CONTENT);
      if (entry == null) {
        throw new IOException(file + " is no backup of this application.");
      }
      try (InputStream in = zip.getInputStream(entry)) {
        return JSON.readValue(in.readAllBytes(), Content.class);
      }
    }
  }

  private static void unpack(Path file, String name, Path target) throws IOException {
    try (CheckedZip zip = new CheckedZip(file)) {
      ZipEntry entry = zip.getEntry(name);
      if (entry == null) {
        throw new IOException(file + " is no backup of this application.");
      }
      try (InputStream in = zip.getInputStream(entry)) {
        Files.copy(in, target);
      }
    }
  }

  private static Map<String, TableSums.Sum> sums(Path folder) throws IOException {
    String url =
        "jdbc:h2:file:"
            + folder.resolve("zealous").toAbsolutePath()
            + ";IFEXISTS=TRUE;ACCESS_MODE_DATA=r";
    try (Connection connection = DriverManager.getConnection(url, "sa", "")) {
      return TableSums.of(connection);
    } catch (SQLException unreadable) {
      throw new IOException("The database of the backup cannot be read.", unreadable);
    }
  }
}
