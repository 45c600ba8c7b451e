package zealoustarget.server.notes;

import java.time.YearMonth;
import org.jspecify.annotations.Nullable;

/**
 * Why one member's month came out as it did.
 *
 * @param reason code of the list, or null
 * @param reasonName its name, or null
 * @param text may be empty where there is a reason
 */
public record Note(
    int memberId,
    YearMonth month,
    @Nullable String reason,
    @Nullable String reasonName,
    String text) {}
