package zealoustarget.server.earnings.sealing;

import java.time.Instant;
import java.time.YearMonth;
import org.jspecify.annotations.Nullable;

/** Everything that a person reads of {@code earnings.sealing}. */
final class SealingWords {
  static final String NOTHING_IS_POSTED_IN_THIS_MONTH = "Nothing is posted in this month.";
  static final String LINES_ARE_POSTED_IN_THIS_MONTH = "Lines are posted in this month.";
  static final String EVERY_LOAD_IS_POSTED = "Every load with lines of this month is posted.";
  static final String NOT_POSTED_YET = "not posted yet";
  static final String NO_LINE_IS_HELD_BACK = "No line is held back.";
  static final String WITH_LINES_HELD_BACK = "with lines held back";
  static final String EVERY_CONTROL_TOTAL_MATCHES = "Every control total matches.";
  static final String POSTED_ALTHOUGH_CONTROL_TOTAL =
      "posted although the control total does not match";
  static final String EVERY_REP_WITH_PLAN_HAS_QUOTA = "Every rep with a plan has a quota.";
  static final String WITH_PLAN_AND_NO_QUOTA = "with a plan and no quota";
  static final String EVERY_REP_HAS_PLAN = "Every rep has a plan.";
  static final String WITHOUT_PLAN = "without a plan";

  private SealingWords() {}

  static String sealedZip(YearMonth month) {
    return "sealed " + month + ".zip";
  }

  static String monthsAreClosedInTheirOrder(YearMonth next) {
    return "Months are closed in their order; " + next + " is next.";
  }

  static String laterMonthsAreAlreadyClosed(YearMonth last) {
    return "Later months are already closed; " + last + " is the last.";
  }

  static String firstMonthToClose(YearMonth latest) {
    return "The first month to close is " + latest + " or earlier.";
  }

  static String isAlreadyClosed(YearMonth month, String sealedBy, Instant sealedAt) {
    return month + " is already closed, by " + sealedBy + " at " + sealedAt + ".";
  }

  static String nothingWasClosed(String check) {
    return check + " Nothing was closed.";
  }

  static String seal(String hash) {
    return "seal " + hash;
  }

  static String giveReason(int longestReason) {
    return "Give a reason of 1 to " + longestReason + " characters.";
  }

  static String openAgainSeal(YearMonth month, String hash) {
    return "open " + month + " again, seal " + hash;
  }

  static String firstAskedBy(String name) {
    return ", first asked for by " + name;
  }

  static String laterMonthsAreClosedAfter(@Nullable YearMonth last) {
    return "Later months are closed after it. Reopen " + last + " first.";
  }

  static String isNotClosed(YearMonth month) {
    return month + " is not closed.";
  }
}
