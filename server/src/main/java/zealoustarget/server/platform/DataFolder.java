package zealoustarget.server.platform;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;

/** The folder that holds the data. */
public final class DataFolder {
  /** The database's file in it. */
  public static final String DATABASE = "zealous.mv.db";

  private DataFolder() {}

  /**
   * Where the database of an empty folder will be; the folder is made where it is not there.
   *
   * @throws IOException in words, where there are data already
   */
  public static Path databaseOfEmpty(Path folder) throws IOException {
    Files.createDirectories(folder);
    Path database = folder.resolve(DATABASE);
    if (Files.exists(database)) {
      throw new IOException(
          "There are data in " + folder + " already. Choose an empty folder with --data.");
    }
    return database;
  }
}
