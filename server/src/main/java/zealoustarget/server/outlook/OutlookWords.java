package zealoustarget.server.outlook;

import java.time.LocalDate;
import org.jspecify.annotations.Nullable;

/** Everything that a person reads of {@code outlook}. */
final class OutlookWords {
  static final String PAGE_OUT_OF_RANGE = "\"page\" is 0 or more, \"size\" is 1 to 500.";
  static final String BELONGS_TO = "Belongs to";
  static final String TO_GO = "To go";
  static final String OPEN_DEALS = "Open deals";
  static final String EXPECTED_OF_GOAL = "Expected, % of goal";
  static final String LIKELIHOOD_NEEDED = "Likelihood needed";
  static final String EXPECTED_STATUS = "Expected status";
  static final String COMPARED_WITH = "Compared with";
  static final String DEALS_AS_OF = "Deals as of";
  static final String NO_DEALS_YET = "no deals yet";
  static final String TRIAL_NOT_SAVED = "A trial, not saved";
  static final String OVERRIDDEN_DEALS = "Overridden deals";
  static final String ANOTHER_AMOUNT = "another amount";
  static final String NO_SNAPSHOT_OF_SOURCE =
      "No snapshot of this source is posted. Load its deals.";
  static final String LIKELIHOOD_OUT_OF_RANGE = "A likelihood is from 0 to 100 %.";
  static final String NO_SNAPSHOTS_OF_BOTH_DAYS =
      "No source has a snapshot of both days, the earlier one first. Take days of one source.";

  private OutlookWords() {}

  static String noSnapshotInForceHasDeal(String key) {
    return "No snapshot in force has the deal \"" + key + "\".";
  }

  static String cannotBeTried(String text, int most) {
    return "\""
        + text
        + "\" cannot be tried. Write a deal with a likelihood from 0 to 1, such as D-104:0.9, or"
        + " leave it out, such as D-104:out; at most "
        + most
        + " deals.";
  }

  static String leftOut(String key) {
    return key + " left out";
  }

  static String at(String key, String percent) {
    return key + " at " + percent + " %";
  }

  static String noSnapshotHasDeal(String key) {
    return "No snapshot has a deal " + key + ".";
  }

  static String atBest(String unit) {
    return "At best" + unit;
  }

  static String to(String from, String to) {
    return from + " to " + to;
  }

  static String weightedWouldBeWithout(int deals, String weighted) {
    return deals + "; weighted would be " + weighted + " without";
  }

  static String outlook(String axis, String span, String ending) {
    return "outlook " + axis + span + "." + ending;
  }

  static String dealsSayNothingOfOutlook(String measure) {
    return "Deals say nothing of "
        + measure
        + ": an outlook is of measures that are counted and of which more is better.";
  }

  static String rowsAndTotalDiffer(String rows, String amount, int signum) {
    return "The rows have "
        + rows
        + " to go; the total has "
        + amount
        + (signum > 0
            ? " less, sold above a goal or without one."
            : " more, assigned to no row here.");
  }

  static String dealIsNotOpenInSnapshot(String at, LocalDate asOf) {
    return "Deal "
        + at
        + " is not open in the snapshot of "
        + asOf
        + ". Only open deals are overridden.";
  }

  static String deal(String at, String rep) {
    return "deal " + at + " (" + rep + ")";
  }

  static String latestSnapshotHasNoDeal(String key) {
    return "The latest snapshot has no deal " + key + ".";
  }

  static String sayWhyInUpToCharacters(int longestReason) {
    return "Say why, in up to " + longestReason + " characters.";
  }

  static String theseDealsHaveNoAmounts(String code) {
    return "These deals have no amounts of " + code + ".";
  }

  static String amountOutOfRange(int scale) {
    return "An amount is 0 or more, with at most " + scale + " decimals.";
  }

  static String noSnapshot(@Nullable LocalDate day, String days) {
    return "There is no snapshot of " + day + ". Posted are " + days + ".";
  }
}
