package zealoustarget.server.closing;

import java.time.LocalDate;
import java.time.YearMonth;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import zealoustarget.core.calendar.SpanWords;

/** Everything that the close list says. */
final class CloseText {
  static final String ARRIVALS = "Files expected";
  static final String STAGED = "Staged loads";
  static final String HELD = "Lines on hold";
  static final String CONTROL_TOTALS = "Control totals";
  static final String QUOTAS = "Reps without quota";
  static final String REGION_GOALS = "Quotas against region goals";
  static final String PLANS = "Reps without plan";
  static final String REASONS = "Misses without a reason";
  static final String ADJUSTMENTS = "Adjustments to come";
  static final String FOLLOW_UPS = "Follow-ups due";
  static final String BRIEFING = "Briefing signed";
  static final String STATEMENTS = "Statements sent";

  static final String CHOOSE_FILE = "Choose file";
  static final String OPEN_LOAD = "Open load";
  static final String SEE_HELD = "See lines on hold";
  static final String ADD_QUOTA = "Add quota";
  static final String OPEN_GOALS = "Open goals";
  static final String ASSIGN_PLAN = "Assign plan";
  static final String GIVE_REASON = "Give reason";
  static final String OPEN_EARNINGS = "Open earnings";
  static final String OPEN_FOLLOW_UP = "Open note";
  static final String OPEN_BRIEFING = "Open briefing";
  static final String MARK_DONE = "Mark as done";
  static final String OPEN_SENDING = "Send statements";

  private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMM", Locale.ENGLISH);

  static final String OWN = "a line of your own";
  static final String OWN_EVERY_MONTH = "a line of your own, every month";
  static final String SIGNED = "signed";
  static final String UNSIGNED = "nobody has signed it yet";

  private CloseText() {}

  static String day(LocalDate day) {
    return DAY.format(day);
  }

  static String count(int number, String one, String many) {
    return number + " " + (number == 1 ? one : many);
  }

  /** The list in a sentence. */
  static String headline(YearMonth month, String state, int open) {
    String name = SpanWords.name(month);
    return switch (state) {
      case "sealed" -> name + " is closed.";
      case "checked" -> name + " is ready to be closed.";
      case "empty" -> name + " has no actuals yet.";
      default ->
          name + ": " + count(open, "thing stands", "things stand") + " between you and closing.";
    };
  }

  /** How far the list is, and until when. */
  static String sentence(int all, int done, int waived, int dueDay, LocalDate due, boolean isOver) {
    return done
        + " of "
        + count(all, "line is", "lines are")
        + " done, "
        + (waived == 0 ? "none is waived" : count(waived, "is waived", "are waived"))
        + ". The month is due on working day "
        + dueDay
        + ", "
        + day(due)
        + (isOver ? ", which has passed." : ".");
  }

  /** Some names, the rest counted. */
  static String names(List<String> names, int most) {
    if (names.size() <= most) {
      return String.join(", ", names);
    }
    return String.join(", ", names.subList(0, most)) + " and " + (names.size() - most) + " more";
  }

  /** Of a source's month: when it came, or since when it is missing. */
  static String arrival(CloseAnswer.Arrival arrival, int behind, boolean isKnown) {
    if (arrival.cameOn() == null) {
      return arrival.isLate()
          ? "missing, " + count(behind, "day", "days") + " after its usual day"
          : arrival.isDue() ? "not there yet" : "not expected";
    }
    if (!isKnown) {
      return "came; its usual day is not known yet";
    }
    if (behind == 0) {
      return "on its usual day";
    }
    return count(Math.abs(behind), "day", "days") + (behind > 0 ? " late" : " early");
  }

  /** Of a closed month: who closed it when, and what was waived. */
  static String closed(String by, LocalDate day, int workingDay, boolean isUnkept, int waived) {
    String when =
        "Closed by "
            + by
            + " on "
            + day(day)
            + (workingDay == 0 ? "" : ", working day " + workingDay + " after the month")
            + ".";
    return isUnkept
        ? when + " It was closed before close lists were kept."
        : when + (waived == 0 ? "" : " " + count(waived, "line was", "lines were") + " waived.");
  }

  /** Subject of the mail about a late source. */
  static String lateSubject(YearMonth month, String source) {
    return "Late for " + SpanWords.name(month) + ": " + source;
  }

  /** What the mail about a late source says. */
  static String lateText(String month, String source, String since, String company) {
    return "The lines of "
        + source
        + " for "
        + month
        + " are "
        + since
        + ".\n\nLoad the file in Intake of "
        + company
        + "'s Zealous Target, or say there that this source has ended or comes quarterly.\n";
  }

  /** Why a month is not closed. */
  static String notChecked(YearMonth month, List<String> open) {
    return SpanWords.name(month)
        + " has "
        + count(open.size(), "open line", "open lines")
        + " on its close list: "
        + names(open, 5)
        + ". Settle or waive them in Intake. Nothing was closed.";
  }
}
