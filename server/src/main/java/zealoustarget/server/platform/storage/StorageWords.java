package zealoustarget.server.platform.storage;

import java.nio.file.Path;

/** Everything that a person reads of {@code platform.storage}. */
final class StorageWords {
  static final String DATABASE_OF_DATA_FOLDER_IS_DAMAGED =
      "The database of the data folder is damaged and cannot be read. Nothing was changed.";
  static final String RESTORE_LAST_BACKUP =
      "Put the folder aside and restore the last backup: ./run restore FILE --data DIR.";
  static final String DATA_FOLDER_IS_IN_USE = "The data folder is in use by another process.";
  static final String STOP_OTHER_ONE =
      "Stop the other one, or choose another folder with ./run --data DIR.";
  static final String LET_IT_BE_WRITTEN =
      "Let it be written, or choose another folder with ./run --data DIR.";
  static final String WRITTEN_BY_NEWER_VERSION =
      "The data folder was written by a newer version of the application. Nothing was changed.";
  static final String START_NEWER_VERSION =
      "Start that version, or restore a backup that this one made into an empty folder.";
  static final String RESTORE_LAST_BACKUP_INTO_EMPTY_FOLDER =
      "Restore the last backup into an empty folder with ./run restore FILE --data DIR.";
  static final String TOO_LITTLE_SPACE =
      "The data folder has %d MB left and this needs about %d. Make room, then try again."
          + " Nothing was stored.";

  private StorageWords() {}

  static String fileInItIsDamaged(String name) {
    return "The file " + name + " in it is damaged.";
  }

  static String dataFolderCannotBeWritten(Path folder) {
    return "The data folder " + folder + " cannot be written. Nothing was changed.";
  }

  static String isEmptyOrDamaged(Path file) {
    return file
        + " is empty or damaged, so nothing was changed. Put it aside and restore the last"
        + " backup: ./run restore FILE --data DIR.";
  }

  static String folderHasData(Path folder) {
    return "There are data in " + folder + " already. Choose an empty folder with --data.";
  }

  static String dataFolderDoesNotFit(String message) {
    return "The data folder does not fit this version: " + message;
  }
}
