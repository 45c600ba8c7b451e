package zealoustarget.server.rules;

import com.fasterxml.jackson.annotation.JsonInclude;
import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Ratio;

/**
 * Where lanes are parted, as a rules file has it.
 *
 * @param at shares of {@code of} as decimals, rising
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record StretchesPart(
    String measure,
    @Nullable String goalSet,
    @Nullable String axis,
    @Schema(allowableValues = {"goal", "last-year"}) String of,
    List<String> at) {
  /** A rule as the file has it. */
  public static StretchesPart of(AttachedStretches attached) {
    Attachment to = attached.to();
    return new StretchesPart(
        to.measure(),
        to.goalSet(),
        to.axis() == null ? null : to.axis().word(),
        attached.of().word(),
        attached.at().stream().map(Ratio::toText).toList());
  }
}
