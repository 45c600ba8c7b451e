package zealoustarget.server.rules;

import java.time.ZoneId;
import java.time.ZoneOffset;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Writing;

/**
 * What is said of the company itself.
 *
 * @param timeZone where its days begin and end; null while it is not set
 * @param writing how it writes numbers and dates
 */
public record Company(String name, @Nullable ZoneId timeZone, Writing writing) {
  /** The zone that decides which day is today: UTC while none is set. */
  public ZoneId zone() {
    return timeZone == null ? ZoneOffset.UTC : timeZone;
  }
}
