package zealoustarget.server.intake.checking;

/** Everything that a person reads of {@code intake.checking}. */
final class CheckingWords {
  static final String FILE_HAS_HEADER_AND_NO_LINES =
      "The file has a header and no lines. Check what was exported.";
  static final String GOAL_SET_IS_MISSING =
      "The file does not name its goal set. Set \"Goal set\" above, such as quota.";
  static final String DAY_OF_DEALS_IS_MISSING =
      "The file does not say as of which day its deals are. Set \"Deals as of\" above, such as"
          + " 2026-11-30.";
  static final String CONTROL_FILE_HEADER =
      "A control file has the header measure,total and one line for each measure.";
  static final String SAY_WHICH_MEASURE =
      "The file has several measures: say of which one the total is";

  private CheckingWords() {}

  static String actualsOfAreWonDeals(String measure, String title) {
    return "The actuals of "
        + measure
        + " are won deals, so files bring none. Load the deals, or set \"Maps to\" over"
        + " the column \""
        + title
        + "\" to not read.";
  }

  static String loadWasPostedMeanwhile(int loadId) {
    return "Load " + loadId + " was posted meanwhile.";
  }

  static String unitOrDecimalsOfWereChanged(String measure) {
    return "The unit or decimals of "
        + measure
        + " were changed while the file was read. Read the file again.";
  }

  static String isNotControlTotal(String one) {
    return "\"" + one + "\" is not a control total";
  }

  static String isNotMeasureOfThisFile(String measures) {
    return measures + " is not a measure of this file";
  }

  static String isNotAmount(String text, String measure) {
    return "\"" + text + "\" is not an amount of " + measure;
  }

  static String giveAmount(String what) {
    return what
        + ". Give an amount such as 1912400.00, or measure=amount such as"
        + " revenue=1912400.00.";
  }
}
