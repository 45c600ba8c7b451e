package zealoustarget.server.intake.load;

/** Everything that a person reads of {@code intake.load}. */
final class LoadWords {
  static final String DEALS_NEED_DAY =
      "A file of deals needs \"asOf\", the day of the snapshot: 2026-11-30.";

  private LoadWords() {}

  static String noLoad(int id) {
    return "There is no load " + id + ".";
  }

  static String isNotDay(String text) {
    return "\"" + text + "\" is not a day. Write it as 2026-11-30.";
  }

  static String nameOfSourceMayHaveCharacters(int longestSource) {
    return "The name of a source may have " + longestSource + " characters.";
  }
}
