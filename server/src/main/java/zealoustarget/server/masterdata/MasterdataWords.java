package zealoustarget.server.masterdata;

/** Everything that a person reads of {@code masterdata}. */
final class MasterdataWords {
  static final String GOAL_SET_IS_MISSING =
      "Goals need the name of their goal set, such as quota (at most 120" + " characters).";
  static final String AXIS_IS_MISSING =
      "Goals need to say whose they are: set \"Goals by\" above, such as rep.";

  private MasterdataWords() {}

  static String isNotAccepted(String text, String axis) {
    return "\"" + text + "\" is accepted for no " + axis + ".";
  }

  static String holdsGoals(String name, String axis, String other) {
    return "\""
        + name
        + "\" holds goals by "
        + axis
        + ". Give goals by "
        + other
        + " a set with another name.";
  }

  static String source(String name) {
    return "source " + name;
  }
}
