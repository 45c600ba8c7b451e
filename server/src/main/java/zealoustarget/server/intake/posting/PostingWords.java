package zealoustarget.server.intake.posting;

/** Everything that a person reads of {@code intake.posting}. */
final class PostingWords {
  static final String MAPPING_MUST_BE_JSON_OBJECT =
      "\"mapping\" must be a JSON object from their header to ours, such as"
          + " {\"Booking dt\": \"date\"}; see docs/formats.md.";
  static final String READING_TOOK_TOO_LONG =
      "Reading took longer than a file may take. Load it in parts, or raise zealous.files.time.";
  static final String READING_WAS_STOPPED =
      "Reading was stopped. Read the file again, or discard it.";
  static final String LEFT_OUT = "left out";
  static final String ONLY_POSTED_LOAD_CAN_BE_REVERSED = "Only a posted load can be reversed.";
  static final String ONLY_STAGED_LOAD_CAN_BE_DISCARDED = "Only a staged load can be discarded.";
  static final String ONLY_STAGED_LOAD_CAN_BE_TRIED = "Only a staged load can be looked ahead on.";
  static final String ONLY_STAGED_LOAD_CAN_BE_POSTED = "Only a staged load can be posted.";
  static final String NO_LINE_IS_READY = "No line of this load is ready to be posted.";

  private PostingWords() {}

  static String fileOfLoadIsNotKept(int id) {
    return "The file of load " + id + " is not kept.";
  }

  static String remainderOfCsv(String name) {
    return "remainder of " + name + ".csv";
  }

  static String sampleTemplateCsv(boolean sample, String nameOf, String found) {
    return (sample ? nameOf + " sample" : found + " template") + ".csv";
  }

  static String loadIsBusy(int loadId) {
    return "Load " + loadId + " is being worked on. Wait or stop that.";
  }

  static String postLoadReverseLoad(boolean isPosting, Integer id, String fileName) {
    return (isPosting ? "post load " : "reverse load ") + id + ", " + fileName;
  }

  static String linesOf(int ready) {
    return ready + (ready == 1 ? " line" : " lines");
  }

  static String loadWasDiscardedSince(int load) {
    return "Load " + load + " was discarded since.";
  }

  static String loadIsByNow(Integer id, String state) {
    return "Load " + id + " is " + state + " by now.";
  }

  static String linesOfLoadWereChangedSince(Integer id) {
    return "The lines of load " + id + " were changed since.";
  }

  static String goal(String code) {
    return code + " goal";
  }

  static String no(String axis) {
    return "no " + axis;
  }

  static String rowsDiffer(String load) {
    return "The rows of " + load + " are not those that were posted.";
  }

  static String touchesClosed(String months, int count) {
    return "This touches "
        + months
        + (count == 1 ? ", which is closed." : ", which are closed.")
        + " As a correction it leaves the closed figures as they are;"
        + " the difference goes to the next open month.";
  }

  static String load(Integer id, String fileName) {
    return "load " + id + ", " + fileName;
  }

  static String kindAndLines(String kind, int ready, String mode) {
    return kind + ", " + ready + (ready == 1 ? " line, " : " lines, ") + mode;
  }

  static String heldBack(int held) {
    return held + " held back";
  }

  static String correctsClosed(String months) {
    return "corrects closed " + months;
  }

  static String linesAreHeldBack(int held) {
    return held
        + (held == 1 ? " line is" : " lines are")
        + " held back. Correct them, or post the ready lines and leave these on hold.";
  }

  static String becauseMustHaveAtMostCharacters(int longestReason) {
    return "\"because\" must have at most " + longestReason + " characters.";
  }

  static String controlTotalOfDoesNotMatch(String measures) {
    return "The control total of "
        + measures
        + " does not match. Load the right file, or give a reason for posting.";
  }

  static String loadIs(Integer id, String state, String rule) {
    return "Load " + id + " is " + state + ". " + rule;
  }
}
