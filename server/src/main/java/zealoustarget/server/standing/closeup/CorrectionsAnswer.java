package zealoustarget.server.standing.closeup;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * Lines that only one reading of closed months holds, or each at another member.
 *
 * @param actual restated less as closed, of all of them; null for rates
 */
@JsonInclude(JsonInclude.Include.ALWAYS)
public record CorrectionsAnswer(
    @Nullable String actual, int lineCount, int page, int size, List<Line> lines) {
  /**
   * One line.
   *
   * @param nameThen whose it is as closed, {@code nameNow} restated; null for nobody's
   * @param then amount as closed, null where it does not count; {@code now} restated
   */
  record Line(
      int load,
      String file,
      int line,
      String month,
      @Nullable String nameThen,
      @Nullable String nameNow,
      @Nullable String then,
      @Nullable String now) {}
}
