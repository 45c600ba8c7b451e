package zealoustarget.server.earnings;

import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.Refusal;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.calendar.SpanWords;
import zealoustarget.core.reading.Pace;
import zealoustarget.server.platform.problems.UnknownValue;
import zealoustarget.server.rules.Rules;
import zealoustarget.server.standing.query.QueryReader;
import zealoustarget.server.standing.query.Trial;

/**
 * What a month of commission is reckoned by instead of what is in force, without anything being
 * saved; docs/calculations.md, section 8.
 *
 * @param factor what quotas are multiplied with; 1 leaves them
 * @param plan the plan of everybody who has one; null leaves theirs
 * @param atPace whether a running month is reckoned as if it ended at its pace
 */
public record EarningsTrial(Ratio factor, @Nullable String plan, boolean atPace) {
  static final EarningsTrial NONE = new EarningsTrial(Ratio.ONE, null, false);

  /**
   * As it came.
   *
   * @param trialFactor what quotas are multiplied with, above 0
   * @param trialPlan the name of a plan that is there
   * @param trialPace {@code end}: a running month is reckoned as if it ended at its pace
   */
  public record Parameters(
      @Nullable String trialFactor, @Nullable String trialPlan, @Nullable String trialPace) {

    /** Reads them; value-unknown and factor-unreadable name what is wrong. */
    EarningsTrial read(Rules rules, int month) {
      if (QueryReader.isGiven(trialPace) && !trialPace.equals("end")) {
        throw UnknownValue.of("trialPace", trialPace, List.of("end"));
      }
      String plan = QueryReader.isGiven(trialPlan) ? trialPlan.strip() : null;
      if (plan != null && rules.commission().plans().findPlan(plan, month).isEmpty()) {
        throw Refusal.of("value-unknown", EarningsWords.noCommissionPlanThatHoldsIn(plan))
            .with("name", "trialPlan");
      }
      return new EarningsTrial(
          QueryReader.factor(trialFactor), plan, QueryReader.isGiven(trialPace));
    }
  }

  boolean isNone() {
    return equals(NONE);
  }

  /** What is tried, in words. */
  List<String> words(YearMonth month, Pace.@Nullable Days days, boolean isClosed) {
    List<String> words = new ArrayList<>();
    if (!factor.equals(Ratio.ONE)) {
      words.add("quotas \u00d7 " + factor.toText());
    }
    if (plan != null) {
      words.add(EarningsWords.everybodyWithPlanUnder(plan));
    }
    if (atPace) {
      words.add(Trial.pace(month, days));
    }
    if (isClosed) {
      words.add(EarningsWords.isClosedAndStaysAsIt(SpanWords.name(month)));
    }
    return words;
  }
}
