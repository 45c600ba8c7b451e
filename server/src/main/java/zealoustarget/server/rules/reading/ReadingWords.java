package zealoustarget.server.rules.reading;

/** Everything that a person reads of {@code rules.reading}. */
final class ReadingWords {
  static final String MUST_BE_SEPARATOR =
      "must be a comma, a point, an apostrophe, a blank or empty";
  static final String THIS_IS_NOT_ICALENDAR_FILE =
      "This is not an iCalendar file. Choose a file that ends in .ics, as calendars export it.";
  static final String MUST_BE_TEXT = "must be a text";
  static final String MUST_BE_LIST_OF_TEXTS = "must be a list of texts";
  static final String MUST_BE_WHOLE_NUMBER = "must be a whole number";
  static final String MUST_BE_LIST = "must be a list";
  static final String MUST_BE_TRUE_OR_FALSE = "must be true or false";
  static final String FILE = "the file";
  static final String MUST_BE_OBJECT = "must be an object";
  static final String MUST_BE_MONTH = "must be a month such as 2026-10";
  static final String MUST_BE_TRUE = "must be true";
  static final String MUST_HAVE_ONE_BOUND = "must have one of amount, percent, goalSet";
  static final String HAS_MORE_DECIMALS_THAN_ITS_UNIT = "has more decimals than its unit";
  static final String IS_TOO_LARGE = "is too large";
  static final String MUST_BE_REPS_KEY = "must be a rep's key";
  static final String MUST_BE_OBJECT_OF_REPS = "must be an object of reps and their shares";
  static final String MUST_BE_HIGHER_WHILE_WON_DEALS =
      "must be HIGHER while won deals feed the measure";
  static final String IS_SHARED_TWICE_IN_ONE_MONTH = "is shared twice in one month";
  static final String MUST_BE_DAY = "must be a day such as 2026-12-25";
  static final String IS_NAME_OF_ANOTHER_COLUMN =
      "is the name of another column in files; take another";
  static final String MUST_NOT_HAVE_POINT = "must not have a point; that is for the ends of ranges";
  static final String IS_FOR_MEASURES_THAT_ARE_COUNTED =
      "is for measures that are counted and of which more is better";
  static final String MUST_BE_TWO_MEASURES =
      "must be two measures, such as [\"returns\", \"revenue\"]";
  static final String MUST_BE_TRUE_OR_LEFT_OUT = "must be true, or left out";
  static final String MUST_BE_AUTO_OR_AMOUNT =
      "must be auto or an amount of 0 or more with at most the measure's decimals";
  static final String IS_FOR_THRESHOLDS_BASED_ON_AMOUNTS =
      "is for thresholds based on amounts: variance or value";
  static final String MUST_HAVE_AT_MOST_CHARACTERS = "must have at most 60 characters";
  static final String AT_OR_ABOVE = "at or above";
  static final String MUST_BE_AT_OR_ABOVE = "must be \"at or above\" or \"above\"";

  private ReadingWords() {}

  static String mustHoldCloseLines(String lines, String line) {
    return "must hold lines of the close list (" + lines + "), was \"" + line + "\"";
  }

  static String mustBeShare(String text) {
    return "must be a share from 0 to 1 such as 0.1, was \"" + text + "\"";
  }

  static String mustBeWorkingDay(int latestDay) {
    return "must be a working day from 1 to " + latestDay;
  }

  static String mustHoldAtMostAddresses(int mostAddresses) {
    return "must hold at most " + mostAddresses + " addresses";
  }

  static String mustHoldMailAddresses(String address) {
    return "must hold mail addresses, was \"" + address + "\"";
  }

  static String mustHaveToCharacters(int longestName) {
    return "must have 1 to " + longestName + " characters";
  }

  static String mustBeTimeZone(String text) {
    return "must be a time zone such as Europe/Lisbon, was \"" + text + "\"";
  }

  static String mustBeDayOfWeek(String text) {
    return "must be a day of the week such as monday, was \"" + text + "\"";
  }

  static String calendarHasNoWholeDayEntry(int firstYear, int lastYear) {
    return "The calendar has no whole-day entry from " + firstYear + " to " + lastYear + ".";
  }

  static String mustBeOneOfWas(String words, String text) {
    return "must be one of " + words + ", was \"" + text + "\"";
  }

  static String isNotKnown(String words) {
    return "is not known here; known are " + words;
  }

  static String nothingWasChanged(String what) {
    return what + ". Nothing was changed.";
  }

  static String isNotMeasure(String code) {
    return "\"" + code + "\" is not a measure";
  }

  static String mustBeAtMost(int mostSteps) {
    return "must be at most " + mostSteps;
  }

  static String isNoShare(String name) {
    return "\"" + name + "\" is not a share";
  }

  static String mustBeOrNullForFiles(String wonDeals) {
    return "must be " + wonDeals + ", or null for files";
  }

  static String mustHaveAtMostCharacters(int longestName) {
    return "must have at most " + longestName + " characters";
  }

  static String mustBeOneOf(String words) {
    return "must be one of " + words;
  }

  static String standsTwice(String stage) {
    return "\"" + stage + "\" stands twice";
  }

  static String mustBeLikelihood(String text) {
    return "must be a share from 0 to 1 such as 0.4, was \"" + text + "\"";
  }
}
