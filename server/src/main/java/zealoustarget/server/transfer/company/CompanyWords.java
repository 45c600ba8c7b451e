package zealoustarget.server.transfer.company;

import java.nio.file.Path;
import org.jspecify.annotations.Nullable;

/** Everything that a person reads of {@code transfer.company}. */
final class CompanyWords {
  static final String COMPANY_EXPORTED = "company exported";
  static final String NO_EXPORT_WAS_MADE =
      "No export was made. Check the data folder and its space.";
  static final String RULES_CHANGED_MEANWHILE =
      "The rules changed during the export. Export again.";
  static final String LOADED =
      "Loaded %s as exported at %s: %d loads; %d rows of figures compared, all equal.%n"
          + "Nobody has an account there yet: start it, and the console shows a code.%n";

  private CompanyWords() {}

  static String figuresDiffer(String file, String there, String here) {
    return "The figures differ from "
        + file
        + ": it says \""
        + there
        + "\", here it is \""
        + here
        + "\".";
  }

  static String exportCouldNotBeStored(@Nullable String message) {
    return "The export could not be stored: " + message;
  }

  static String exportWasChanged(String faults) {
    return "The export was changed: " + faults;
  }

  static String namesUnknown(String file, @Nullable String message) {
    return file + " names something that is not in the export: " + message;
  }

  static String doesNotFitTogether(@Nullable String message) {
    return "What is in the export does not fit together: " + message;
  }

  static String companyLoadedFromExport(String madeAt) {
    return "company loaded from the export of " + madeAt;
  }

  static String exportedToBytes(Path target, long size) {
    return "Exported to " + target + ", " + size + " bytes.";
  }

  static String isNoExportOfThisApplication(Path file) {
    return file + " is not an export of this application.";
  }

  static String ofCannotBeRead(String file, Path export) {
    return "The " + file + " of " + export + " cannot be read.";
  }

  static String isOfFormatIsUnderstoodHere(Path file, String format, String ours) {
    return file + " is of the format \"" + format + "\"; " + ours + " is understood here.";
  }

  static String fileIsMissingInExport(String name) {
    return "The file " + name + " is missing in the export.";
  }

  static String cannotBeRead(String name, @Nullable String message) {
    return name + " cannot be read: " + message;
  }

  static String line(String name, long startingLineNumber, @Nullable String message) {
    return name + ", line " + startingLineNumber + ": " + message;
  }

  static String noKind(String kind) {
    return "There is no kind \"" + kind + "\".";
  }

  static String hasRowsAreDescribed(String file, long read, long rows) {
    return file + " has " + read + " rows; " + rows + " are described.";
  }

  static String isUnknownMember(String axis, String cell) {
    return "the " + axis + " \"" + cell + "\" is not in tables/member.csv";
  }

  static String hasGoalsOfNoAxis(String file) {
    return file + " has goals of no axis.";
  }

  static String tableIsNotKnownHere(String table) {
    return "The table " + table + " is not known here.";
  }

  static String hasColumnThatIsNotKnown(String file, String column) {
    return file + " has a column " + column + " that is not known here.";
  }

  static String tableHasRowsAreDescribed(String file, long rows, long described) {
    return file + " has " + rows + " rows; " + described + " are described.";
  }
}
