package zealoustarget.server.briefing;

/** Words of briefings that more than one place says. */
final class BriefingText {
  private BriefingText() {}

  /** What a figure of a row is called. */
  static String word(String field) {
    return switch (field) {
      case "missPercent" -> "distance from the goal in percent";
      case "gap" -> "distance from the goal";
      case "attainment" -> "percent of goal";
      default -> field;
    };
  }

  /** How many blocks a reader does not get. */
  static String leftOut(int blocks) {
    return blocks == 0
        ? ""
        : blocks == 1
            ? "One part is left out: it tells of figures that you do not see."
            : blocks + " parts are left out: they tell of figures that you do not see.";
  }
}
