package zealoustarget.server.standing.export;

import org.jspecify.annotations.Nullable;

/** Everything that a person reads of {@code standing.export}. */
final class ExportWords {
  static final String BELONGS_TO = "Belongs to";
  static final String STATUS_TO_DATE = "Status to date";
  static final String MONTHS_WITH_GOAL = "Months with a goal";
  static final String STATUS_OF_MONTHS_WITH_GOAL = "Status of the months with a goal";
  static final String LAST_YEAR = "Last year";
  static final String CHANGE_ON_PRIOR_PERIOD = "Change on the prior period";
  static final String SHARE_OF_COMPANYS_GOAL = "Share of the company's goal, %";
  static final String COMPARED_WITH = "Compared with";
  static final String CLOSED_MONTHS = "Closed months";
  static final String AS_CLOSED = "as closed";
  static final String NO_ACTUALS_YET = "No actuals yet";
  static final String OPEN_MONTH = "Open month";
  static final String STATUS_THRESHOLDS = "Status thresholds";
  static final String NOT_SHOWN = "Not shown";
  static final String ZEALOUS_TARGET = "Zealous Target";

  static final String CORRECTIONS_SINCE_CLOSE = "Corrections since close";
  static final String GOALS_NOT_SPLIT_BY_THESE_GROUPS = "Goals not split by these groups";

  private ExportWords() {}

  static String goalToDate(String unit) {
    return "Goal to date" + unit;
  }

  static String correctionsSinceClose(String unit) {
    return "Corrections since close" + unit;
  }

  static String goal(@Nullable String beside) {
    return "Goal (" + beside + ")";
  }

  static String variance(@Nullable String beside) {
    return "Variance (" + beside + ")";
  }

  static String to(String from, String to) {
    return from + " to " + to;
  }

  static String asOfWorkingDay(String asOf, int elapsed, int workingDays) {
    return "as of " + asOf + ", working day " + elapsed + " of " + workingDays;
  }

  static String rowsWith(int members, @Nullable String actual) {
    return members + " rows with " + actual;
  }

  static String linesWithout(long lines, String axis) {
    return lines + (lines == 1 ? " line" : " lines") + " without a " + axis;
  }
}
