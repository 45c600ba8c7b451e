package zealoustarget.server.intake.upload;

/** Everything that a person reads of {@code intake.upload}. */
final class UploadWords {
  static final String TOO_MANY_PAGES_WATCH =
      "Too many pages watch their files. Look again in a moment.";
  static final String FILE_IS_EMPTY = "The file has no line with anything in it.";
  static final String READING_WAS_INTERRUPTED = "Reading was interrupted. Read the file again.";
  static final String FAULT_OF_OURS = "Something failed on our side. Read the file again.";

  private UploadWords() {}

  static String isNotMeasureOfRules(String code) {
    return "\"" + code + "\" is not a measure of the rules.";
  }

  static String loadIs(int loadId, String state) {
    return "Load " + loadId + " is " + state + ". Only a staged load can be changed.";
  }
}
