package zealoustarget.server.platform.storage;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.DirectoryStream;
import java.nio.file.FileSystems;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermission;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.Arrays;
import java.util.Set;

/** The folder that holds the data. */
public final class DataFolder {
  /** The database's file in it. */
  public static final String DATABASE = "zealous.mv.db";

  private DataFolder() {}

  private static final byte[] BEGINNING = "H:2,".getBytes(StandardCharsets.US_ASCII);

  /** The data folder cannot be used, as {@link #getMessage} says. */
  static final class Unusable extends RuntimeException {
    private Unusable(String words) {
      super(words);
    }

    Unusable(Path folder) {
      this(StorageWords.dataFolderCannotBeWritten(folder.toAbsolutePath().normalize()));
    }

    /** The database is there and is none. */
    static Unusable damaged(Path database) {
      return new Unusable(StorageWords.isEmptyOrDamaged(database.toAbsolutePath().normalize()));
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
      keepPrivate(folder);
    } catch (IOException failure) {
      throw new Unusable(folder);
    }
    Path database = folder.resolve(DATABASE);
    if (!Files.isWritable(folder) || Files.exists(database) && !Files.isWritable(database)) {
      throw new Unusable(folder);
    }
    if (Files.exists(database) && !isDatabase(database)) {
      throw Unusable.damaged(database);
    }
  }

  private static boolean isDatabase(Path database) {
    try (InputStream in = Files.newInputStream(database)) {
      return Arrays.equals(in.readNBytes(BEGINNING.length), BEGINNING);
    } catch (IOException unreadable) {
      return false;
    }
  }

  /** Lets nobody but the owner read a file or a folder, and what stands in that. */
  public static void keepPrivate(Path file) throws IOException {
    if (!FileSystems.getDefault().supportedFileAttributeViews().contains("posix")) {
      return;
    }
    boolean isFolder = Files.isDirectory(file, LinkOption.NOFOLLOW_LINKS);
    if (isFolder) {
      try (DirectoryStream<Path> files = Files.newDirectoryStream(file)) {
        for (Path one : files) {
          keepPrivate(one);
        }
      }
    } else if (!Files.isRegularFile(file, LinkOption.NOFOLLOW_LINKS)) {
      return;
    }
    Set<PosixFilePermission> own =
        PosixFilePermissions.fromString(isFolder ? "rwx------" : "rw-------");
    try {
      if (!Files.getPosixFilePermissions(file).equals(own)) {
        Files.setPosixFilePermissions(file, own);
      }
    } catch (NoSuchFileException gone) {
      // deleted meanwhile
    }
  }

  /**
   * Where the database of an empty folder will be; the folder is made where it is not there.
   *
   * @throws IOException in words, where there are data already
   */
  public static Path databaseOfEmpty(Path folder) throws IOException {
    Files.createDirectories(folder);
    keepPrivate(folder);
    Path database = folder.resolve(DATABASE);
    if (Files.exists(database)) {
      throw new IOException(StorageWords.folderHasData(folder));
    }
    return database;
  }
}
