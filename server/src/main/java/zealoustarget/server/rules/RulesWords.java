package zealoustarget.server.rules;

import java.time.YearMonth;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.member.Axis;

/** Everything that a person reads of {@code rules}. */
final class RulesWords {
  static final String SHARE_OUT_OF_RANGE = "must be above 0 % and at most 200 %";
  static final String MUST_RISE = "must rise";
  static final String MY_COMPANY = "My company";
  static final String FISCAL_CALENDAR = "fiscal calendar";
  static final String STATUS_THRESHOLDS = "status thresholds";
  static final String SHADING_LIMITS = "shading limits";
  static final String STRETCHES_BEHIND_LANES = "stretches behind lanes";
  static final String LIKELIHOODS_OF_STAGES = "likelihoods of stages";
  static final String CLOSE_LIST = "close list";
  static final String COMMISSION_PLANS = "commission plans";
  static final String PLAN_ASSIGNMENTS = "plan assignments";
  static final String CREDIT_SPLITS = "credit splits";
  static final String GIVE_TEXT_OF_ICALENDAR_FILE = "Give the text of an iCalendar file.";
  static final String APPLICATION_WAS_UPDATED = "the application was updated";
  static final String AT_OR_ABOVE = "at or above";

  static final String HIGHER_IS_BETTER = "higher is better";
  static final String LOWER_IS_BETTER = "lower is better";
  static final String CLOSEST_TO_GOAL_IS_BEST = "closest to the goal is best";

  private RulesWords() {}

  static String since(String to, @Nullable YearMonth since) {
    return to + (since == null ? "" : ", since " + since);
  }

  static String tooManyShares(int most) {
    return "must have 1 to " + most + " shares";
  }

  static String againstBy(String measure, @Nullable String goalSet, @Nullable Axis axis) {
    return measure
        + (goalSet == null ? "" : " against " + goalSet)
        + (axis == null ? "" : " by " + axis.word());
  }

  static String hasNoVersionThatBegins(String gone) {
    return "\"" + gone + "\" has no version that begins in that month";
  }

  static String planIsStillAssigned(String gone, String names, int count, int most, int more) {
    return "\""
        + gone
        + "\" still has "
        + names
        + (count > most ? " and " + more + " more" : "")
        + "; give these reps another plan, or none, first";
  }

  static String defaultInsideRangeIsBest(boolean isRange, String direction) {
    return "default, " + (isRange ? "inside the range is best" : direction);
  }

  static String isNotMonth(String month) {
    return "\"" + month + "\" is not a month. Write it as 2026-10.";
  }

  static String rulesItChangesWereChangedSince(String parts, String lastBy) {
    return "The rules it changes (" + parts + ") were changed since" + lastBy + ".";
  }

  static String rulesDoNotFit(String message) {
    return "The rules do not fit any more: " + message;
  }

  static String by(String by) {
    return " by " + by;
  }

  static String effect(int moves, int pays) {
    return "In open months with actuals "
        + (moves == 0
            ? "no status moves"
            : moves == 1 ? "1 status moves" : moves + " statuses move")
        + " and "
        + (pays == 0
            ? "no pay changes."
            : pays == 1
                ? "the pay of 1 rep and month changes."
                : pays + " reps' pays of a month change.");
  }

  static String changedThemLast(String by, String subject) {
    return by + " changed them last (" + subject + ")";
  }

  static String rulesWereChanged(String who) {
    return "The rules are not those that you looked at: "
        + who
        + ". Look at them again, then change them. Nothing was changed.";
  }

  static String unitStays(String measure) {
    return measure
        + " has loaded amounts, so its unit, decimals and spelling stay. Nothing was"
        + " changed.";
  }

  static String sourceStays(String code) {
    return code
        + " has loaded amounts, so what feeds it stays. Add another measure that is"
        + " fed by won deals. Nothing was changed.";
  }
}
