package zealoustarget.server.notes;

import java.time.YearMonth;

/**
 * Why one member's month came out as it did.
 *
 * @param reason code of the list, or null
 * @param reasonName its name, or null
 * @param text may be empty where there is a reason
 */
public record Note(int memberId, YearMonth month, String reason, String reasonName, String text) {}
