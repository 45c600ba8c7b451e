package zealoustarget.server.files;

import org.springframework.util.unit.DataSize;

/** Everything that a person reads of {@code files}. */
final class FilesWords {

  private FilesWords() {}

  static String fileHasMoreThanLines(int lines) {
    return "the file has more than " + lines + " lines";
  }

  static String lineHasMoreThanCells(int columns) {
    return "the line has more than " + columns + " cells";
  }

  static String cellHasMoreThanCharacters(int number, int most) {
    return "cell "
        + number
        + " has more than "
        + most
        + " characters; a quote that is never"
        + " closed is the usual cause";
  }

  static String lineHasMoreThanCharacters(int line) {
    return "the line has more than " + line + " characters";
  }

  static String workbookCellIsTooLong(int cell) {
    return "A cell of the workbook has more than "
        + cell
        + " characters. Correct the file, or raise zealous.files.cell.";
  }

  static String atLine(int line, String what, String setting) {
    return "Line "
        + line
        + ": "
        + what
        + ". Correct the file, or raise zealous.files."
        + setting
        + ".";
  }

  static String isOldOrPasswordProtectedWorkbook(String upload) {
    return "\""
        + upload
        + "\" is an old or a password-protected workbook. Save it as .xlsx without a"
        + " password, or as CSV.";
  }

  static String hasUnknownEncoding(String upload) {
    return "\"" + upload + "\" is neither UTF-8, UTF-16 nor Windows-1252. Save it as CSV (UTF-8).";
  }

  static String fileIsEmpty(String upload) {
    return "\"" + upload + "\" is empty.";
  }

  static String isNeitherTextNorWorkbook(String upload) {
    return "\""
        + upload
        + "\" is neither text nor a workbook. Save the sheet as CSV or .xlsx and load that.";
  }

  static String workbookHasNoSheet(String sheet, String sheets) {
    return "The workbook has no sheet \"" + sheet + "\". It has: " + sheets + ".";
  }

  static String sheetIsEmpty(String sheet) {
    return "Sheet \"" + sheet + "\" is empty.";
  }

  static String isArchiveNotWorkbook(String upload) {
    return "\"" + upload + "\" is an archive, not a workbook. Load the files in it one by one.";
  }

  static String unpacksToTooMuch(String upload, DataSize workbook) {
    return "\""
        + upload
        + "\" unpacks to more than "
        + workbook
        + ". Save the sheet as CSV, or raise zealous.files.workbook.";
  }

  static String cannotBeReadAsWorkbook(String upload) {
    return "\""
        + upload
        + "\" cannot be read as a workbook. Open it and save it again as .xlsx, or as CSV.";
  }
}
