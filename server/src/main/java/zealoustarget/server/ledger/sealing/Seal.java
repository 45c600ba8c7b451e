package zealoustarget.server.ledger.sealing;

import java.time.Instant;
import java.time.YearMonth;
import java.util.List;

/**
 * A sealed month.
 *
 * @param loads posted then, in their order
 * @param rules measures, calendar, ladders and plans then, as JSON
 * @param checksum SHA-256 of rules, statements and figures; {@link Seals#content} gives these
 * @param form version of how these are written
 * @param hash over all of it and the seal before
 * @param unsealedAt null while it is in force
 * @param reason why it was unsealed; null while it is in force
 */
public record Seal(
    int id,
    YearMonth month,
    Instant sealedAt,
    String sealedBy,
    List<SealedLoad> loads,
    byte[] rules,
    String checksum,
    int form,
    String hash,
    Instant unsealedAt,
    String unsealedBy,
    String reason) {
  public Seal {
    loads = List.copyOf(loads);
  }
}
