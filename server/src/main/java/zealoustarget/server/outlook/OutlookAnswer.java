package zealoustarget.server.outlook;

import com.fasterxml.jackson.annotation.JsonInclude;
import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.ladder.Tone;
import zealoustarget.core.member.Axis;
import zealoustarget.server.platform.http.WordsOf;
import zealoustarget.server.standing.view.StandingAnswer.HeadlinePart;

/**
 * An outlook as it travels; amounts as decimal strings, weighted and expected ones exact.
 *
 * @param goal words for what it is compared with
 * @param closed how closed months are read
 * @param asOf day of the snapshot in force, the latest of several sources; null without one
 * @param snapshots posted ones that may be asked for, latest first
 * @param insights sentences that the rows back
 * @param tried what is tried of deals, in words; empty for nothing
 * @param difference why the rows' "to go" and the total's differ, in words; null where they do not
 * @param overridden what of the open deals is overridden, null for nothing
 * @param group axis of the groups, null without; then {@code rows} name their group
 */
@JsonInclude(JsonInclude.Include.ALWAYS)
public record OutlookAnswer(
    @WordsOf(Axis.class) String axis,
    String measure,
    String unit,
    int scale,
    String from,
    String to,
    String goal,
    @Schema(allowableValues = {"as-closed", "restated"}) String closed,
    @Nullable String asOf,
    List<SnapshotAnswer> snapshots,
    List<HeadlinePart> headline,
    List<InsightAnswer> insights,
    List<String> tried,
    @Nullable String difference,
    @Nullable Overridden overridden,
    int withGoal,
    int expectedToReach,
    @WordsOf(Axis.class) @Nullable String group,
    RowAnswer total,
    @Nullable List<RowAnswer> groups,
    List<RowAnswer> rows) {

  /**
   * A posted snapshot.
   *
   * @param source name of its source, empty where there is one only
   */
  public record SnapshotAnswer(String asOf, String source, int load, int deals) {}

  /**
   * What of the open deals is overridden.
   *
   * @param deals how many of the view
   * @param weighted what would be weighted without
   */
  public record Overridden(int deals, String weighted) {}

  /** A sentence and the keys of the rows that show it; empty for all. */
  public record InsightAnswer(String text, List<String> keys) {}

  /**
   * One row; undefined figures null.
   *
   * @param key null for the total
   * @param place where the member belongs at the span's end
   * @param deals how many are in {@code open}
   * @param overdueDeals how many are in {@code overdue}
   * @param outOfReach whether all open deals together would not bring what is to go
   * @param likelihood how likely the open deals are now: weighted ÷ open
   * @param shown the figures as they are read
   */
  public record RowAnswer(
      @JsonInclude(JsonInclude.Include.NON_NULL) @Nullable String key,
      @JsonInclude(JsonInclude.Include.NON_NULL) @Nullable String name,
      @JsonInclude(JsonInclude.Include.NON_NULL) @Nullable String place,
      @JsonInclude(JsonInclude.Include.NON_NULL) @Nullable String group,
      @Nullable String actual,
      @Nullable String goal,
      String open,
      String weighted,
      String overdue,
      @Nullable String expected,
      @Nullable String atBest,
      @Nullable String toGo,
      @Nullable String coverage,
      @Nullable String likelihoodNeeded,
      String expectedStatus,
      @WordsOf(Tone.class) String expectedTone,
      @Nullable Integer expectedRung,
      @Nullable String noReading,
      int deals,
      int overdueDeals,
      boolean outOfReach,
      @Nullable String likelihood,
      Shown shown) {}

  /**
   * Figures as they are read: amounts half up to the smallest unit, percentages without the sign.
   *
   * @param booked actual ÷ goal
   * @param expectedPercent expected ÷ goal, with the decimals that keep it on its status
   * @param atBestPercent at best ÷ goal
   * @param expectedVariance expected − goal
   * @param likelihoodNeeded over 100 where the open deals do not suffice
   */
  public record Shown(
      String weighted,
      @Nullable String expected,
      @Nullable String booked,
      @Nullable String expectedPercent,
      @Nullable String atBestPercent,
      @Nullable String expectedVariance,
      @Nullable String coverage,
      @Nullable String likelihood,
      @Nullable String likelihoodNeeded) {}
}
