package zealoustarget.server.intake.corrections;

import org.jspecify.annotations.Nullable;

/** Everything that a person reads of {@code intake.corrections}. */
final class CorrectionsWords {
  static final String LEFT_OUT = "left out";
  static final String NO_LINE_OF_LOAD_IS_MEANT = "This selects no line of the load.";
  static final String DECISIONS_UNDONE = "decisions undone";
  static final String IS_GIVEN_TWICE_IN_LIST = " is given twice in the list.";
  static final String EXISTS_ALREADY = " exists already.";
  static final String LINE_CANNOT_BE_READ = "A line cannot be read.";
  static final String LINES_OR_FROM = "lines or from";
  static final String HELD_LINE_CANNOT_BE_ACCEPTED =
      "A line that is held back cannot be accepted as it is. Correct it, or leave it out.";
  static final String LINES_OR_CODE = "lines or code";
  static final String COLUMNS_RULE_CANNOT_BE_READ =
      "A column's rule cannot be read; see docs/formats.md.";

  private CorrectionsWords() {}

  static String column(
      int at, int count, String nameOf, int number, @Nullable String was, String content) {
    return (at < count ? nameOf : "column " + number)
        + " "
        + (was == null ? "" : was + " \u2192 ")
        + content;
  }

  static String correctLinesInLoadItself(int id) {
    return "Correct the lines in load " + id + " itself; it is not posted yet.";
  }

  static String loadHoldsNoLineBack(int id) {
    return "Load " + id + " holds no line back.";
  }

  static String remainderOf(String fileName) {
    return "remainder of " + fileName;
  }

  static String lineOf(String load, int line) {
    return load + ", line " + line;
  }

  static String lines(String load, int count) {
    return load + ", " + count + " lines";
  }

  static String lineWas(int line, @Nullable String was) {
    return "line " + line + ": " + was;
  }

  static String oneLine(int line) {
    return "line " + line;
  }

  static String rewritten(String nameOf, String content, String lines) {
    return nameOf + ": " + content + " in" + lines;
  }

  static String leftOut(String lines) {
    return "left out:" + lines;
  }

  static String accepted(String valueOf, String lines) {
    return "accepted, " + valueOf + ":" + lines;
  }

  static String andMore(String named, int all, int most, int more) {
    return named + (all > most ? " and " + more + " more" : "");
  }

  static String loadIs(int id, String state) {
    return "Load " + id + " is " + state + ".";
  }

  static String subjectAndLine(String subject, @Nullable Integer line) {
    return subject + (line == null ? "" : ", line " + line);
  }

  static String isNoMember(String member, String axis) {
    return "\"" + member + "\" is not a " + axis + ".";
  }

  static String doesNotNeedToBeCreated(String axis) {
    return "A " + axis + " does not need to be created: its name is enough.";
  }

  static String nothingWasCreated(String axis, String key, String what) {
    return "The " + axis + " \"" + key + "\"" + what + " Nothing was created.";
  }

  static String madeWhileLoading(String fileName) {
    return "made while loading " + fileName;
  }

  static String refusedCreation(String first) {
    return first + " Nothing was created.";
  }

  static String isNotAction(String word) {
    return "\"" + word + "\" is not an action: rewrite, leave, count or accept.";
  }

  static String isMissingOrCannotBeUsed(String name) {
    return "\"" + name + "\" is missing or cannot be used.";
  }
}
