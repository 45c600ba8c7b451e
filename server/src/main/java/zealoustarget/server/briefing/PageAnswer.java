package zealoustarget.server.briefing;

import com.fasterxml.jackson.annotation.JsonInclude;
import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A briefing as it is read: its blocks with the state of every claim, who did what, and what moved.
 *
 * @param tag of what was read; a change is based on it
 * @param holds how many claims hold, or are kept as they were
 * @param readAt when the figures were asked again
 * @param because why it was declined
 * @param checksum SHA-256 of what was signed
 * @param movedSince figures of the last signed briefing about the same that differ now
 */
@JsonInclude(JsonInclude.Include.ALWAYS)
record PageAnswer(
    int id,
    String title,
    String from,
    String to,
    @Nullable String scope,
    @Schema(allowableValues = {"draft", "handed", "declined", "signed"}) String state,
    String tag,
    int holds,
    int moved,
    int voids,
    String readAt,
    String madeBy,
    String madeAt,
    @Nullable String signer,
    @Nullable String because,
    @Nullable String signedBy,
    @Nullable String signedAt,
    @Nullable String checksum,
    boolean maySign,
    List<ReviewerAnswer> reviewers,
    List<BlockAnswer> blocks,
    List<RemarkAnswer> remarks,
    List<MovedAnswer> movedSince,
    List<SentAnswer> sent) {

  /**
   * A block.
   *
   * @param state of a claim: {@code holds}, {@code moved}, {@code void} or {@code kept}; null of
   *     other kinds
   * @param text with the figures in braces
   * @param figures where each of its figures comes from
   * @param unbound figures that somebody typed, so that nothing backs them
   * @param reason why a claim that has moved is kept as it was
   * @param cause the load or change that moved it, in words; null where nothing is known
   */
  @JsonInclude(JsonInclude.Include.ALWAYS)
  record BlockAnswer(
      String id,
      @Schema(allowableValues = {"claim", "exhibit", "text"}) String kind,
      @Nullable String part,
      @Schema(allowableValues = {"holds", "moved", "void", "kept"}) @Nullable String state,
      String text,
      List<PieceAnswer> pieces,
      List<BriefingService.FigureBody> figures,
      List<String> unbound,
      @Nullable String reason,
      @Nullable String reasonBy,
      @Nullable String cause,
      Block.@Nullable Exhibit exhibit,
      @Nullable ExhibitData data) {}

  /**
   * A run of words, or a figure.
   *
   * @param figure its name; null for words
   * @param text as it stands in the sentence
   * @param now what its query gives now; null where that is the same, or nothing
   * @param isVoid whether its query can no longer be asked
   */
  @JsonInclude(JsonInclude.Include.ALWAYS)
  record PieceAnswer(@Nullable String figure, String text, @Nullable String now, boolean isVoid) {}

  /** Somebody who was asked to review it, and how many remarks came of that. */
  record ReviewerAnswer(String name, int remarks) {}

  @JsonInclude(JsonInclude.Include.ALWAYS)
  record RemarkAnswer(
      int id,
      String block,
      String text,
      String by,
      String at,
      @Nullable String answer,
      @Nullable String answeredBy) {}

  /** A figure of an earlier signed briefing and what it is now; null where it is void. */
  @JsonInclude(JsonInclude.Include.ALWAYS)
  record MovedAnswer(
      int briefing, String title, String sentence, String then, @Nullable String now) {}

  /** Somebody it is sent to; {@code sentAt} is null while it waits. */
  @JsonInclude(JsonInclude.Include.ALWAYS)
  record SentAnswer(String name, String address, @Nullable String sentAt, boolean isUnknown) {}
}
