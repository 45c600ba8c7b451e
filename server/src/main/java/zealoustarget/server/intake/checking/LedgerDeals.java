package zealoustarget.server.intake.checking;

import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.intake.PostedDeals;
import zealoustarget.core.intake.TypicalAmounts;
import zealoustarget.core.outlook.DealSnapshot;
import zealoustarget.server.intake.load.SourceName;
import zealoustarget.server.ledger.state.LedgerService;

/** What the snapshot in force of a source says of its deals; worked out when it is asked. */
final class LedgerDeals implements PostedDeals {
  private final @Nullable DealSnapshot snapshot;
  private final Map<String, TypicalAmounts> usuals = new HashMap<>();

  private LedgerDeals(@Nullable DealSnapshot snapshot) {
    this.snapshot = snapshot;
  }

  static LedgerDeals of(LedgerService ledgers, String source) {
    String name = SourceName.ofDeals(source);
    return new LedgerDeals(
        DealSnapshot.inForce(ledgers.postedSnapshots(), null).stream()
            .filter(one -> one.source().equals(name))
            .findFirst()
            .orElse(null));
  }

  @Override
  public @Nullable LocalDate asOf() {
    return snapshot == null ? null : snapshot.asOf();
  }

  @Override
  public List<String> open() {
    return snapshot == null
        ? List.of()
        : IntStream.range(0, snapshot.size())
            .filter(snapshot::isOpen)
            .mapToObj(snapshot::key)
            .toList();
  }

  @Override
  public @Nullable TypicalAmounts usual(String measure) {
    DealSnapshot posted = snapshot;
    return posted == null || posted.measure(measure) < 0
        ? null
        : usuals.computeIfAbsent(measure, code -> typical(posted, code));
  }

  private static TypicalAmounts typical(DealSnapshot posted, String measure) {
    int highest = posted.namedReps().max().orElse(-1);
    return TypicalAmounts.of(highest + 1, (most, line) -> posted.eachAmount(measure, line::see));
  }
}
