package zealoustarget.server.earnings.statements;

import java.time.YearMonth;

/** Everything that a person reads of {@code earnings.statements}. */
final class StatementsWords {
  static final String CAP_ON_PAY = "Cap on pay";
  static final String CARRIED_AT_ZERO_BEFORE_RECOVERED_NOW =
      "Carried at zero before, recovered now";
  static final String CARRIED_AT_ZERO_RECOVERED_LATER = "Carried at zero, recovered later";
  static final String ABOVE_CEILING_NOT_CREDITED = "Above the ceiling, not credited";
  static final String BELOW_FLOOR = "below floor";
  static final String NOT_REACHED = "not reached";
  static final String ON_TARGET_BONUS = "On-target bonus";

  private StatementsWords() {}

  static String payrollCsv(YearMonth of) {
    return "payroll " + of + ".csv";
  }

  static String statementPdf(YearMonth of, String rep) {
    return "statement " + of + " " + rep + ".pdf";
  }

  static String commissionDue(String month) {
    return "Commission due with " + month;
  }

  static String to(String from, String month) {
    return from + " to " + month;
  }

  static String creditedSales(String span) {
    return "Credited sales, " + span;
  }

  static String floorAt(String floor) {
    return "Floor at " + floor;
  }

  static String earnedByAlreadyPaid(String through) {
    return "Earned by " + through + ", already paid";
  }

  static String earnedIn(String month) {
    return "Earned in " + month;
  }

  static String tierFrom(String from) {
    return "Tier from " + from;
  }

  static String fromOfQuota(String from) {
    return "From " + from + " of quota";
  }

  static String toOfQuota(String from, String percent) {
    return from + " to " + percent + " of quota";
  }

  static String atEach(String reach, String base, boolean isEach, String rate, String percent) {
    return reach + ": " + base + (isEach ? " at " + rate + " each" : " at " + percent);
  }

  static String adjustmentCorrected(String month, String earnedThen, String earnedNow) {
    return "Adjustment: " + month + " corrected, " + earnedThen + " → " + earnedNow;
  }

  static String earned(String span) {
    return "Earned, " + span;
  }
}
