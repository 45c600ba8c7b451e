package zealoustarget.server.earnings.trial;

/** Everything that a person reads of {@code earnings.trial}. */
final class TrialWords {
  static final String PLAN_NEEDS_NAME = "plans[0] must be a plan with a name.";

  private TrialWords() {}

  static String tooManyMonths(int mostMonths) {
    return "A plan is tried over 1 to " + mostMonths + " months.";
  }
}
