package zealoustarget.server.intake.entered;

import java.time.LocalDate;
import java.time.YearMonth;

/** Everything that a person reads of {@code intake.entered}. */
final class EnteredWords {
  static final String ENTERED_ON_GOAL_SHEET = "entered on the goal sheet";

  private EnteredWords() {}

  static String enteredBy(String goalSet, String by, LocalDate day) {
    return goalSet + ", entered by " + by + " on " + day;
  }

  static String acceptedBy(String name, String who) {
    return name + ", accepted by " + who;
  }

  static String of(String goalSet, String member, YearMonth month) {
    return goalSet + " of " + member + ", " + month;
  }
}
