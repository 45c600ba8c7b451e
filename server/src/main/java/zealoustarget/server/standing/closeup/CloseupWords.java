package zealoustarget.server.standing.closeup;

/** Everything that a person reads of {@code standing.closeup}. */
final class CloseupWords {
  static final String AT_OR_ABOVE = "at or above";

  private CloseupWords() {}

  static String no(String axis, String key) {
    return "There is no " + axis + " \"" + key + "\".";
  }
}
