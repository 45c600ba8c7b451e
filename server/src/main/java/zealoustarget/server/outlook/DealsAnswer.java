package zealoustarget.server.outlook;

import com.fasterxml.jackson.annotation.JsonInclude;
import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * Deals of a row, the largest first.
 *
 * @param asOf day of the snapshot in force, null without one
 * @param count how many there are of the kind that was asked for, on all pages
 * @param sum of their amounts
 * @param likelihoodShown how likely they are together in percent, null of nothing
 */
@JsonInclude(JsonInclude.Include.ALWAYS)
record DealsAnswer(
    @Nullable String asOf,
    String measure,
    int count,
    String sum,
    @Nullable String likelihoodShown,
    List<DealAnswer> deals) {
  /**
   * One deal of one snapshot.
   *
   * @param likelihoodShown in percent
   * @param closes the month in which it is expected to close, or closed
   * @param override what of it is overridden; absent for nothing
   * @param step what it did since the snapshot before; null where that was not asked for
   * @param moved the amount of the step
   */
  record DealAnswer(
      String deal,
      String source,
      String rep,
      String repName,
      @Nullable String product,
      @Nullable String productName,
      @Nullable String region,
      String amount,
      String likelihood,
      String likelihoodShown,
      String closes,
      @Schema(allowableValues = {"open", "won", "lost"}) String state,
      boolean overdue,
      @Nullable String stage,
      int load,
      String file,
      int line,
      @JsonInclude(JsonInclude.Include.NON_NULL) @Nullable Override override,
      @JsonInclude(JsonInclude.Include.NON_NULL) @Nullable String step,
      @JsonInclude(JsonInclude.Include.NON_NULL) @Nullable String moved) {}

  /**
   * What the source says where it is overridden, and why it is; null for what is not.
   *
   * @param likelihoodShown in percent
   */
  record Override(
      @Nullable String amount,
      @Nullable String likelihoodShown,
      @Nullable String closes,
      String reason,
      String by) {}

  /** A deal's own history: what each snapshot said of it, latest first. */
  record HistoryAnswer(String deal, List<At> snapshots) {
    /**
     * What a snapshot said.
     *
     * @param deal null where the deal is not in it, or may not be seen in it
     */
    record At(String asOf, @Nullable DealAnswer deal) {}
  }
}
