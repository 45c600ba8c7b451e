package zealoustarget.server.platform;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;

/** The folder that holds the data. */
public final class DataFolder {
  /** The database's file in it. */
  public static final String DATABASE = "zealous.mv.db";

  private DataFolder() {}

  /** The data folder cannot be written. */
  static final class Unusable extends RuntimeException {
    Unusable(Path folder) {
      super(
          "The data folder "
              + folder.toAbsolutePath().normalize()
              + " cannot be written. Nothing was changed.");
    }
  }

  /**
   * Makes the folder where it is not there.
   *
   * @throws Unusable where nothing can be written into it
   */
  static void checkWritable(Path folder) {
    try {
      Files.createDirectories(folder);
    } catch (IOException failure) {
      throw new Unusable(folder);
    }
    Path database = folder.resolve(DATABASE);
    if (!Files.isWritable(folder) || Files.exists(database) && !Files.isWritable(database)) {
      throw new Unusable(folder);
    }
  }

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
