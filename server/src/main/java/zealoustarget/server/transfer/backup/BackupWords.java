package zealoustarget.server.transfer.backup;

import java.nio.file.Path;

/** Everything that a person reads of {@code transfer.backup}. */
final class BackupWords {
  static final String BACKUP_WAS_CHANGED_OR_SEALED =
      "The backup was changed, or sealed with another key or passphrase. Give the key of the"
          + " installation that made it (--key FILE, the backup.key of its data folder) or its"
          + " passphrase (ZEALOUS_BACKUP_PASSPHRASE).";
  static final String ROWS_DO_NOT_FIT = "The backup is damaged: its rows do not fit together.";
  static final String FILE_COULD_NOT_BE_WRITTEN = "the file could not be written.";
  static final String DATABASE_REFUSED = "the database refused.";
  static final String RESTORED =
      "Restored the backup of %s: %d rows in %d tables, each as noted%s.%n";
  static final String ITS_SEAL_WAS_NOT_LOOKED = "; its seal was not looked at";
  static final String WITH_UNBROKEN_SEAL = ", with an unbroken seal";
  static final String THIS_TAKES_ADMINISTRATOR_OR_APPROVER =
      "This takes an administrator or an approver.";
  static final String NO_RESTORED_DATA_WAIT = "No restored data wait to be confirmed.";
  static final String NO_VALUE = "The backup contains something that is not a value.";
  static final String VALUE_IS_TOO_LONG = "The backup contains a value that is too long.";

  private BackupWords() {}

  static String isNotBackupOfThisApplication(Path file) {
    return file + " is not a backup of this application, or is cut.";
  }

  static String wasMadeByEarlierVersion(Path file) {
    return file
        + " was made by an earlier version, whose backups are databases. Restore it with that"
        + " version, then start this one on the folder.";
  }

  static String isOfFormatIsUnderstood(Path file, String format, String ours) {
    return file + " is of the format \"" + format + "\"; " + ours + " is understood.";
  }

  static String ofCannotBeRead(String name, Path file) {
    return "The " + name + " of " + file + " cannot be read.";
  }

  static String isNoBackupOfThisApplication(Path file) {
    return file + " is not a backup of this application.";
  }

  static String backupHasNoTable(String table) {
    return "The backup has no table " + table + " as this version knows it.";
  }

  static String tablesDiffer(String tables) {
    return "The backup is damaged: " + tables + " differ from what was noted.";
  }

  static String noKey(Path file) {
    return "There is no key in " + file + ".";
  }

  static String noBackup(String name) {
    return "There is no backup \"" + name + "\".";
  }

  static String notMade(String words) {
    return "No backup was made: " + words + " Check the folder and its space.";
  }

  static String notMadeOfDamaged(String faults) {
    return "No backup was made: " + faults + " Restore the last one.";
  }

  static String backedUpToBytes(String target, long bytes) {
    return "Backed up to " + target + ", " + bytes + " bytes.";
  }

  static String keyIsMissing(String passphrase) {
    return "The key that the backup is sealed with is not here. Name it with --key FILE (backup.key of"
        + " the data folder that it was made in), give its passphrase by "
        + passphrase
        + ", or, where both are lost, restore it with --unsealed: nothing then tells whether it"
        + " was changed.";
  }

  static String waitsForSecondPerson(String madeAt) {
    return "These data were restored from the backup of "
        + madeAt
        + " and wait for a second person. An administrator or an approver compares them with"
        + " what was expected, then confirms them.";
  }

  static String restoredFromBackup(String madeAt) {
    return "restored from the backup of " + madeAt;
  }

  static String restoredFromBackupOfConfirmed(String madeAt) {
    return "restored from the backup of " + madeAt + ", confirmed";
  }

  static String tableInItIsCut(String table) {
    return "The table " + table + " in it is cut.";
  }
}
