package zealoustarget.server.rules;

import com.fasterxml.jackson.annotation.JsonInclude;
import io.swagger.v3.oas.annotations.media.Schema;
import java.util.Locale;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.ladder.Rung;
import zealoustarget.core.ladder.Tone;
import zealoustarget.server.platform.http.WordsOf;

/**
 * A rung as it travels.
 *
 * @param from its bound in the ladder's scale, null on the first
 * @param bound "at or above" or "above"
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record RungPart(
    String name,
    @WordsOf(Tone.class) String tone,
    @Nullable String from,
    @Schema(allowableValues = {"at or above", "above"}) @Nullable String bound) {
  /** The rung in words. */
  public static RungPart of(Rung rung) {
    String tone = rung.tone().name().toLowerCase(Locale.ROOT);
    return rung.lowerBound() == null
        ? new RungPart(rung.name(), tone, null, null)
        : new RungPart(
            rung.name(),
            tone,
            rung.lowerBound().toText(),
            rung.above() ? "above" : RulesWords.AT_OR_ABOVE);
  }
}
