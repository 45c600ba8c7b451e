package zealoustarget.server.standing.query;

import java.time.LocalDate;
import java.time.YearMonth;
import org.jspecify.annotations.Nullable;

/** Everything that a person reads of {@code standing.query}. */
final class QueryWords {
  static final String ASK_FOR_TOP_OR_FOR_BOTTOM =
      "Ask for \"top\" or for \"bottom\", not for both.";
  static final String THRESHOLD_IS_MISSING = "a threshold is missing";
  static final String ASK_FOR_GOALSET_OR_FOR_BASIS =
      "Ask for \"goalSet\" or for \"basis\", not for both.";

  private QueryWords() {}

  static String isNotNumberOfRows(@Nullable String text) {
    return "\"" + text + "\" is not a number of rows. Write a whole number from 1 to 10000.";
  }

  static String isNotNumber(@Nullable String text) {
    return "\"" + text + "\" is not a number. Write it as 1000.00 or 0.95.";
  }

  static String trialThresholdsDoNotFit(String why) {
    return "\"trialThresholds\" do not fit: "
        + why
        + ". Write one for each status but the first, ascending, such as 0.9,1,1.2.";
  }

  static String noPostedLoad(String load) {
    return "There is no posted load " + load + ".";
  }

  static String isNotDay(@Nullable String text, YearMonth last, LocalDate atDay) {
    return "\"" + text + "\" is not a day of " + last + ". Write it as " + atDay + ", or none.";
  }

  static String isNotMonth(@Nullable String text) {
    return "\"" + text + "\" is not a month. Write it as 2026-10.";
  }

  static String spanIsBackwards(YearMonth last, YearMonth first) {
    return "The span ends in " + last + ", before it begins in " + first + ".";
  }

  static String spanMayHaveMonths(int longestSpan, int count) {
    return "A span may have " + longestSpan + " months, was " + count + ".";
  }

  static String isNotFactor(@Nullable String text) {
    return "\"" + text + "\" is not a factor. Write it as 1.2, above 0, with at most 6 decimals.";
  }

  static String goalsWithoutEffect(String toText) {
    return "goals \u00d7 " + toText + " (nothing to compare with is chosen)";
  }

  static String thresholds(String shares) {
    return "thresholds " + shares;
  }

  static String isOver(String name) {
    return name + " is over, so its pace changes nothing";
  }

  static String endsAtItsPace(String name, int elapsed, int workingDays) {
    return name + " ends at its pace (day " + elapsed + " of " + workingDays + ")";
  }

  static String trialNothingIsSaved(String parts) {
    return "Trial, nothing is saved: " + parts + ". ";
  }
}
