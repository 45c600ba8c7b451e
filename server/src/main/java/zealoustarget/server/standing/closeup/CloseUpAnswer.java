package zealoustarget.server.standing.closeup;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.ladder.Tone;
import zealoustarget.core.member.Axis;
import zealoustarget.server.platform.http.WordsOf;
import zealoustarget.server.standing.view.ReadingAnswer;

/**
 * One row, or the total, explained.
 *
 * @param place its rank among the rows, null where it has none; {@code places} of how many
 * @param placeBefore its rank in the span before, null where it had none
 * @param milestones the rungs ahead
 * @param required what each month left of the fiscal year must bring, null where that is undefined
 * @param assigned what sets of another axis assign to it
 * @param lastYear the same span a year before; null of a running month, where nothing was posted
 *     then, or of a rate
 * @param parts what its variance is made of, along each axis that tells something
 */
public record CloseUpAnswer(
    ReadingAnswer reading,
    @Nullable Integer place,
    int places,
    @Nullable Integer placeBefore,
    List<MilestoneAnswer> milestones,
    @Nullable Required required,
    List<Assigned> assigned,
    @Nullable LastYear lastYear,
    List<Parts> parts) {
  /** Actual of the year before, and the change since as a percentage with its sign. */
  record LastYear(String actual, String changeShown) {}

  /** A rung ahead: where it begins, and how much is left until then; of a rate shown in points. */
  record MilestoneAnswer(
      String name, @WordsOf(Tone.class) String tone, String at, String toGo, String toGoShown) {}

  record Required(
      String perMonth,
      int monthsLeft,
      @Nullable String yearGoal,
      @Nullable String toDate,
      boolean isReached) {}

  /** What a goal set of another axis adds up to here; {@code over} as a ratio, −0.1 is under. */
  record Assigned(
      String goalSet,
      @WordsOf(Axis.class) String axis,
      String amount,
      @Nullable String over,
      @Nullable String overShown) {}

  /**
   * A variance taken apart.
   *
   * @param split own-goals, last-years-mix, whole-mix or rate-effect
   */
  record Parts(
      @WordsOf(Axis.class) String axis,
      @Schema(allowableValues = {"own-goals", "last-years-mix", "whole-mix", "rate-effect"})
          String split,
      List<Part> parts) {}

  /**
   * One part; {@code varianceShown} of a rate in points of a percent.
   *
   * @param shareShown of the whole's miss, in percent; null where the whole does not miss or the
   *     part is not a part of the miss
   */
  record Part(
      String key,
      String name,
      @Nullable String actual,
      @Nullable String goal,
      String variance,
      String varianceShown,
      String favourable,
      @Nullable String shareShown) {}
}
