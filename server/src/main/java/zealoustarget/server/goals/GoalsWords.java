package zealoustarget.server.goals;

import java.time.YearMonth;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** Everything that a person reads of {@code goals}. */
final class GoalsWords {
  static final String NOTHING_IS_CHANGED = "Nothing is changed in it.";
  static final String AS_MUCH_AS = "as much as";
  static final String GIVE_CELLS_TO_CHANGE = "Give the cells to change.";
  static final String NOTHING_TO_HAND_ON = "The draft has no changes to hand on.";
  static final String DRAFT_IS_YOURS_ALREADY = "The draft is yours already. Name another analyst.";
  static final String NOTHING_TO_APPLY = "The draft has no changes to apply.";
  static final String ONE_CELL_CHANGES = "One cell changes";
  static final String NO_STATUS_MOVES = "no status moves";
  static final String NO_PAY_CHANGES = "no pay changes";
  static final String GOAL_SET = "Goal set";
  static final String FISCAL_YEAR = "Fiscal year";
  static final String IN_USE = "in use";
  static final String PROPOSALS_THAT_WAIT_FOR_DECISION = "proposals that wait for a decision";
  static final String STATUS_THRESHOLDS = "status thresholds";
  static final String SHADING_LIMITS = "shading limits";
  static final String STRETCHES_BEHIND_LANES = "stretches behind lanes";
  static final String IS_NOT_AMOUNT = "is not an amount. Write it as 57500.00.";
  static final String IS_TOO_LARGE = "is too large.";
  static final String GIVE_CHANGED_CELLS = "Give the changed cells.";
  static final String NOTHING_TO_CHANGE_OF_SET =
      "Give the set another name, or say whether it is retired.";
  static final String GIVE_TAG_OF_SHEET =
      "Give the tag of the sheet that was read (GET answers it), so that nobody's change is"
          + " overwritten unseen.";
  static final String TAG_IS_OF_ANOTHER_SHEET = "The tag is of another sheet.";
  static final String GOALS_WERE_REVERSED =
      "Goals of this sheet were reversed since you read it. Read it again. Nothing was changed.";
  static final String GIVE_CELLS_TO_SPREAD_OVER = "Give the cells to spread over.";
  static final String GIVE_AMOUNT_OR_FACTOR = "Give either the amount to spread, or a factor.";
  static final String FACTOR_GOES_WITH_KIND = "A factor goes with the kind \"as-it-stands\".";
  static final String FACTOR_IS_TOO_LARGE = "The goals times that factor are too large.";
  static final String STEP_IS_NOT_POSITIVE = "The step must be above 0, such as 500.";
  static final String PART_NEEDS_PLACE = "A part needs a key, a month or both.";
  static final String NO_TAKEOVER_OF_RATES_AND_RANGES = "Rates and ranges are not taken over.";
  static final String GIVE_GOAL_OF_WHOLE_MONTH = "Give the goal of a whole month.";
  static final String GOAL_OF_WHOLE_MONTH = "The goal of a whole month";

  static final String AS_IT_STANDS = "As it stands";
  static final String LAST_YEARS_ACTUALS = "Last year\u2019s actuals";
  static final String THIS_YEAR_AT_ITS_PACE = "This year at its pace";
  static final String GIVE_RATE_OR_FACTOR = "Give either a rate for the cells, or a factor.";

  private GoalsWords() {}

  static String goalsOfDoNotAddUp(String measure) {
    return "Goals of " + measure + " do not add up, so there is no year to compare.";
  }

  static String compareWithAtMostOthers(int mostColumns) {
    return "Compare with at most " + mostColumns + " others.";
  }

  static String draft(int slot) {
    return "Draft " + slot;
  }

  static String noGoalSet(String name) {
    return "There is no goal set \"" + name + "\".";
  }

  static String draftsTo(int most) {
    return "Drafts are numbered 1 to " + most + ".";
  }

  static String isNotFiscalYear(int year) {
    return year + " is not a fiscal year. Write it as 2027.";
  }

  static String fiscal(int year) {
    return "fiscal " + year;
  }

  static String hasNoGoalsYet(String set, String year) {
    return set + " has no goals for " + year + " yet.";
  }

  static String ratesDoNotAddUp(String set, String year, String measure) {
    return set + " for " + year + ": goals of " + measure + " do not add up.";
  }

  static String rangeAddsUp(String set, String year, String least, String most) {
    return set + " for " + year + " adds up to " + least + " at least and " + most + " at most.";
  }

  static String addsUp(String set, String year, String amount, @Nullable String beyond) {
    return set
        + " for "
        + year
        + " adds up to "
        + amount
        + (beyond == null ? "." : ", " + beyond + " last year.");
  }

  static String isOverAssigned(String groupName, String percent, String goals) {
    return groupName + " is assigned " + percent + " more than its own goals in " + goals + ".";
  }

  static String moreOrLess(String percent, int signum) {
    return percent + (signum > 0 ? " more than" : " less than");
  }

  static String namesHaveNoGoal(List<String> names, int count) {
    return String.join(" and ", names) + (count == 1 ? " has no goal." : " have no goals.");
  }

  static String haveNoGoals(int count, String word) {
    return count + " " + word + " have no goals.";
  }

  static String asksMost(String most, String beyond) {
    return "The goal of " + most + " is " + beyond + " last year, the most of all.";
  }

  static String noAnalystsAccountNamed(@Nullable String name) {
    return "There is no analyst's account named \"" + name + "\". Check the name.";
  }

  static String hasTooManyDrafts(String other, int most) {
    return other
        + " has "
        + most
        + " drafts of these goals already. One of them has to be applied or"
        + " discarded first.";
  }

  static String isNotKnown(String cell) {
    return cell + " is not known any more.";
  }

  static String wasClosedSinceKeepsItsGoal(YearMonth month, String member) {
    return month + " was closed since; " + member + " keeps its goal.";
  }

  static String wasChangedSince(String member, YearMonth month, @Nullable String by) {
    return member + ", " + month + " was changed since" + (by == null ? "." : " (" + by + ").");
  }

  static String cellsChange(int changed) {
    return changed + " cells change";
  }

  static String noMonthWithActuals(String cells) {
    return cells + "; no month with actuals is among them, so no status moves yet.";
  }

  static String movesTo(String name, String status) {
    return name + " moves to " + status;
  }

  static String statusesMove(int count) {
    return count + " statuses move";
  }

  static String payChanges(long change, String cents) {
    return "pay changes by " + (change > 0 ? "+" : change < 0 ? "\u2212" : "") + cents;
  }

  static String effect(String cells, String moved, String pay) {
    return cells + ": " + moved + ", and " + pay + ".";
  }

  static String changedCellsAreNotAppliedYet(int changed) {
    return changed + " changed cells are not applied yet";
  }

  static String lineHasUnknownMember(int line, String axis, String key) {
    return "line " + line + ": there is no " + axis + " \"" + key + "\"";
  }

  static String lineIsGivenTwice(int line, String key) {
    return "line " + line + ": " + key + " is given twice";
  }

  static String lineIsNotAmount(int line, YearMonth month, String text) {
    return "line " + line + ", " + month + ": \"" + text + "\" is not an amount";
  }

  static String fileCannotBeTaken(String faults, int count, int named, int more) {
    return "The file cannot be taken: "
        + faults
        + (count > named ? "; and " + more + " more" : "")
        + ". Correct it and import it again. Nothing was changed.";
  }

  static String noColumnOfFileIsMonth(YearMonth month) {
    return "No column of the file is a month of this sheet. Head the columns as "
        + month
        + ", as an export of the sheet does.";
  }

  static String noColumnOfFileIsHeaded(String axis) {
    return "No column of the file is headed \"" + axis + "\": rows are told by their key.";
  }

  static String noLevelBetween(String goalSet, String axis, String word) {
    return "\""
        + goalSet
        + "\" holds goals by "
        + axis
        + "; "
        + word
        + " are in none of them. Choose a set of a level between.";
  }

  static String nobodyTakesGoal(String where, String axis) {
    return where + "there is no " + axis + " to take its goal. Nothing was changed.";
  }

  static String hasNoGoals(String set, YearMonth first, YearMonth last) {
    return "\""
        + set
        + "\" has no goals from "
        + first
        + " to "
        + last
        + " for open months. Choose another year.";
  }

  static String cells(String goalSet, int count, int count2, String from, String toInclusive) {
    return goalSet
        + ", "
        + count
        + (count == 1 ? " cell, " : " cells, ")
        + (count2 == 1 ? from : from + " to " + toInclusive);
  }

  static String goalSetAlready(String to) {
    return "There is a goal set \"" + to + "\" already. Choose another name.";
  }

  static String namedBefore(String set) {
    return "named " + set;
  }

  static String closedMonth(YearMonth month) {
    return "the closed month " + month;
  }

  static String keepsItsName(String name, String users) {
    return "\""
        + name
        + "\" keeps its name, as it is named by "
        + users
        + ". Copy it to a set with the new name, and retire this one.";
  }

  static String commissionPlan(String plan) {
    return "the commission plan " + plan;
  }

  static String no(String axis, @Nullable String key) {
    return "There is no "
        + axis
        + " \""
        + key
        + "\". Load it in Intake first, or correct the name. Nothing was"
        + " changed.";
  }

  static String hasMoreDecimals(String measure, int scale) {
    return "has more decimals than " + measure + " (" + scale + ").";
  }

  static String spanIsBackwards(YearMonth last, YearMonth first) {
    return "The span ends in " + last + ", before it begins in " + first + ".";
  }

  static String holdsGoals(String set, String axis, String other) {
    return "\""
        + set
        + "\" holds goals by "
        + axis
        + ". Give goals by "
        + other
        + " a set with another name.";
  }

  static String sheetMayHaveMonths(int longest, int count) {
    return "A sheet may have " + longest + " months, was " + count + ".";
  }

  static String monthsAreClosed(String months, int count) {
    return months
        + (count == 1 ? " is closed" : " are closed")
        + ": goals of closed months stay as they are. Nothing was changed.";
  }

  static String isNotMonthOfSheet(YearMonth month) {
    return month + " is not a month of the sheet that was read.";
  }

  static String isGivenTwice(String member, YearMonth month) {
    return member + ", " + month + " is given twice. Give it once.";
  }

  static String giveEitherAmountOrBothEnds(String where) {
    return where + ": give either an amount, or both ends of a range.";
  }

  static String upperEndOfRangeIsBelow(String where) {
    return where + ": the upper end of the range is below the lower end.";
  }

  static String readSheetThatYouChange(String words) {
    return words + " Read the sheet that you change.";
  }

  static String wasChangedSinceYouRead(String member, YearMonth month, String by) {
    return member
        + ", "
        + month
        + " was changed since you read it"
        + by
        + ". Read the sheet again. Nothing was changed.";
  }

  static String rateIsNoWeight(String measure) {
    return measure + " is a rate: last year's rate is no weight. Choose another way.";
  }

  static String isNotWeight(@Nullable String text) {
    return "\"" + text + "\" is not a weight. Write it as 3 or 2.5.";
  }

  static String isNotFactor(String text) {
    return "\"" + text + "\" is not a factor. Write a number above 0, such as 1.05.";
  }

  static String scaleOutOfRange(int mostScale) {
    return "\"scale\" must be 0 to " + mostScale + ".";
  }

  static String isNotAmountOfThisMeasure(@Nullable String text) {
    return "\"" + text + "\" is not an amount of this measure. Write it as 57500.00.";
  }

  static String partIsGivenTwice(String key) {
    return key + " is given twice. Give it once.";
  }

  static String hasNoGoalInOpenMonths(String member, String from) {
    return member + " has no goal in open months from " + from + " on. Nothing was changed.";
  }

  static String isNotPercentage(String text) {
    return "\"" + text + "\" is not a percentage. Write the ramp as 25, 50, 75.";
  }

  static String nobodyElseInGroup(String month, String member, long amount) {
    return month
        + ": nobody else of "
        + member
        + "'s group has a goal. Choose who "
        + (amount > 0 ? "takes over." : "gives up.");
  }

  static String setOfYear(String set, int year) {
    return set + ", FY " + year;
  }

  static String wouldRange(String cell, String low, String high) {
    return cell
        + " would range from "
        + low
        + " to "
        + high
        + ", the upper end below the lower. Enter a larger upper end. Nothing was changed.";
  }
}
