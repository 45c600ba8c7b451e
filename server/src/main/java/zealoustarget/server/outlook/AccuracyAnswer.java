package zealoustarget.server.outlook;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * How good earlier snapshots were.
 *
 * @param snapshots what each expected of the span's months that are over, and what came
 * @param bands of stated likelihood, five from 0–20 to 80–100 %
 * @param farthest whose stated likelihoods are farthest from what was won, in words; null of one
 *     row, and where nobody's are far
 * @param members each row by itself, by name; empty of one row
 * @param slipShown by how many months deals closed later than was said, one decimal; null without
 */
@JsonInclude(JsonInclude.Include.ALWAYS)
record AccuracyAnswer(
    String measure,
    List<OfSnapshot> snapshots,
    List<Band> bands,
    @Nullable String slipShown,
    @Nullable String farthest,
    List<OfMember> members) {
  /**
   * A row by itself.
   *
   * @param expected by all earlier snapshots together of the months that are over, {@code came}
   *     what came of it; {@code ratioShown} the one by the other in percent, null where nothing
   *     came
   * @param ended deals that are won or lost now, {@code statedShown} and {@code wonShown} as of a
   *     band
   */
  record OfMember(
      String key,
      String name,
      String expected,
      String came,
      @Nullable String ratioShown,
      int ended,
      @Nullable String statedShown,
      @Nullable String wonShown) {}

  /**
   * One snapshot.
   *
   * @param ratioShown expected ÷ came in percent; null where nothing came
   */
  record OfSnapshot(
      String asOf,
      String source,
      int deals,
      String expected,
      String came,
      @Nullable String ratioShown) {}

  /**
   * Deals of stated likelihoods from {@code from} to {@code to} percent that are won or lost now.
   *
   * @param statedShown what was stated on average, in percent; null without deals
   * @param wonShown which share of them was won, in percent; null without deals
   */
  record Band(
      int from,
      int to,
      int deals,
      int won,
      @Nullable String statedShown,
      @Nullable String wonShown) {}
}
