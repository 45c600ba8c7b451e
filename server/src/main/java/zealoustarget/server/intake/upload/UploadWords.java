package zealoustarget.server.intake.upload;

/** Everything that a person reads of {@code intake.upload}. */
final class UploadWords {
  static final String TOO_MANY_PAGES_WATCH_THEIR_FILES =
      "Too many pages watch their files. Look again in a moment.";
  static final String FILE_HAS_NO_LINE_WITH_ANYTHING = "The file has no line with anything in it.";
  static final String READING_WAS_INTERRUPTED = "Reading was interrupted. Read the file again.";
  static final String SOMETHING_FAILED_ON_OUR_SIDE =
      "Something failed on our side. Read the file again.";

  private UploadWords() {}

  static String isNotMeasureOfRules(String code) {
    return "\"" + code + "\" is not a measure of the rules.";
  }

  static String loadIs(int loadId, String state) {
    return "Load " + loadId + " is " + state + ". Only a staged load can be changed.";
  }
}
