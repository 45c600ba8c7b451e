package zealoustarget.server.standing.closeup;

import com.fasterxml.jackson.annotation.JsonInclude;
import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import org.jspecify.annotations.Nullable;
import zealoustarget.server.standing.view.ReadingAnswer;
import zealoustarget.server.standing.view.StandingAnswer;

/** A member's months against their goals, and in the strip the company's. */
public record PathAnswer(String name, int fiscalYear, List<MonthAnswer> months) {
  /**
   * One month.
   *
   * @param state empty, open or sealed; of the strip only
   * @param toDate actual and goal from the first of these months to this one; not in the strip
   * @param among the month among all members of the axis, where it was asked for
   */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  record MonthAnswer(
      String month,
      int number,
      int quarter,
      @Schema(allowableValues = {"empty", "open", "sealed"}) String state,
      ReadingAnswer reading,
      @Nullable ToDate toDate,
      @Nullable Among among) {}

  /** Sums from the first month shown; the goal is null where no month has one. */
  @JsonInclude(JsonInclude.Include.ALWAYS)
  public record ToDate(@Nullable String actual, @Nullable String goal) {}

  /**
   * What all members of the axis did in a month.
   *
   * @param average plain mean of the members' actuals
   * @param atOrBetter members at the percent-to-goal asked for or on its favourable side, of {@code
   *     withGoal}
   */
  @JsonInclude(JsonInclude.Include.ALWAYS)
  record Among(
      @Nullable String average,
      @Nullable String total,
      StandingAnswer.@Nullable Extreme highest,
      StandingAnswer.@Nullable Extreme lowest,
      int atOrBetter,
      int withGoal) {}
}
