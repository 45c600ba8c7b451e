package zealoustarget.server.closing;

import java.time.LocalDate;
import java.time.YearMonth;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.calendar.SpanWords;

/** Everything that the close list says. */
final class CloseWords {
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

  static final String SOURCE_COMES_MONTHLY_QUARTERLY =
      "A source comes monthly, quarterly, or has ended. Choose one.";
  static final String NONE_WAITS_TO_BE_POSTED = "none waits to be posted";
  static final String NONE_IS_GIVEN = "none is given";
  static final String ALL_MATCH = "all match";
  static final String HAS_PLAN_AND_NO_QUOTA = "has a plan and no quota";
  static final String EVERY_REP_WITH_PLAN_HAS_ONE = "every rep with a plan has one";
  static final String HAS_NO_COMMISSION_PLAN = "has no commission plan";
  static final String NO_REGION_HAS_GOAL = "no region has a goal of its own";
  static final String NONE_IS_DUE = "none is due";
  static final String NO_SOURCE_HAS_COME_THREE_MONTHS =
      "no source has come three months running yet";
  static final String ALL_CAME = "all came";
  static final String SENT_ONCE_MONTH_IS_CLOSED = "sent once the month is closed";
  static final String ADDED_FOR_EVERY_MONTH = "added for every month";
  static final String ADDED_FOR_THIS_MONTH = "added for this month";
  static final String ON_LIST = "on the list";
  static final String YEAR_IS_FISCAL = "\"year\" is a fiscal year such as 2027.";

  private CloseWords() {}

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

  static String linesWait(int ready) {
    return count(ready, "line waits", "lines wait") + " to be posted";
  }

  static String heldOf(int held, int lines) {
    return held + " of " + count(lines, "line", "lines");
  }

  static String postedAlthoughItsControlTotalDiffers(@Nullable String because) {
    return "posted although its control total differs" + (because == null ? "" : ": " + because);
  }

  static String partOf(int number, int all) {
    return number + " of " + all;
  }

  static String loadOnHold(int id, int held) {
    return "load " + id + ", " + held + " on hold";
  }

  static String hasActualsOfWithoutQuota(String amount) {
    return "has actuals of " + amount + " without a quota";
  }

  static String inMonths(String region, String book, String toText) {
    return region + " in " + book + ", " + toText;
  }

  static String quotasAgainst(String quotas, String goals, String book) {
    return "quotas of " + quotas + " against " + goals + " in " + book;
  }

  static String noRegionDiffers(String limit, String largestOf) {
    return "no region differs by more than " + limit + "; most: " + largestOf;
  }

  static String repsHaveOne(int reps) {
    return count(reps, "rep has one", "reps have one");
  }

  static String differ(String regions, int count, String limit) {
    return regions + (count == 1 ? " differs by" : " differ by") + " more than " + limit;
  }

  static String shortOf(String percent, String goalSet) {
    return percent + " % short of " + goalSet;
  }

  static String noRepMisses(String limit) {
    return "no rep misses by more than " + limit;
  }

  static String repsMiss(int misses, String limit, String unnoted, int waiting) {
    return count(misses, "rep misses", "reps miss")
        + " by more than "
        + limit
        + (unnoted.isEmpty() ? ", all noted" : "; no reason: " + unnoted)
        + (waiting == 0 ? "" : "; " + count(waiting, "rep waits", "reps wait") + " for a file");
  }

  static String followUp(int id) {
    return "follow-up " + id;
  }

  static String until(String memberName, String month, String who, String due) {
    return memberName + ", " + month + ": " + who + " until " + due;
  }

  static String came(String source, String arrival) {
    return source + " came " + arrival;
  }

  static String missing(String names, int count) {
    return names + (count == 1 ? " is missing" : " are missing");
  }

  static String giveReason(int longestReason) {
    return "Give the reason for the waiver, in up to " + longestReason + " characters.";
  }

  static String isDone(String line) {
    return "\"" + line + "\" is done; nothing is waived.";
  }

  static String sayWhat(int longestName) {
    return "Say what is to be done, in up to " + longestName + " characters.";
  }

  static String monthIsClosed(YearMonth month) {
    return month + " is closed; its close list stays as it was. Nothing changed.";
  }

  static String waivedBecause(String reason) {
    return "waived, because: " + reason;
  }

  static String noLine(YearMonth month, String line) {
    return "The close list of " + month + " has no line \"" + line + "\". Load the list again.";
  }

  static String closeList(YearMonth month, String line) {
    return "close list of " + month + ", " + line;
  }
}
