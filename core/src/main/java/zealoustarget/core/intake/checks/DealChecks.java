package zealoustarget.core.intake.checks;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Amounts;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.intake.Finding;
import zealoustarget.core.intake.FindingCode;
import zealoustarget.core.intake.LoadSpec;
import zealoustarget.core.intake.PostedDeals;
import zealoustarget.core.intake.TypicalAmounts;
import zealoustarget.core.intake.header.Header;
import zealoustarget.core.outlook.Deal;
import zealoustarget.core.outlook.DealKey;

/**
 * Holds a snapshot of deals against the one that is in force of the same source: deals that are
 * gone, amounts far from what a rep's deals usually are, a day that is older.
 */
public final class DealChecks {
  private static final int MOST_NAMED = 5;

  private final PostedDeals posted;
  private final LoadSpec spec;
  private final List<Header.AmountColumn> columns;
  private final Set<String> seen = new HashSet<>();
  private final List<Finding> unusual = new ArrayList<>();

  public DealChecks(PostedDeals posted, LoadSpec spec, List<Header.AmountColumn> columns) {
    this.posted = posted;
    this.spec = spec;
    this.columns = List.copyOf(columns);
  }

  /** Takes in a ready deal. */
  public void see(Deal deal) {
    seen.add(DealKey.fold(deal.key()));
    for (int m = 0; m < columns.size(); m++) {
      Measure measure = columns.get(m).measure();
      long amount = deal.amounts()[m];
      TypicalAmounts usual = posted.usual(measure.code());
      if (usual != null && amount != Amounts.NONE && usual.isFar(deal.rep(), amount)) {
        unusual.add(
            Finding.of(
                deal.line(),
                columns.get(m).title(),
                FindingCode.UNUSUAL_AMOUNT,
                "value",
                spec.shown(measure, amount),
                "times",
                Long.toString(amount / usual.median(deal.rep())),
                "usual",
                spec.shown(measure, usual.median(deal.rep())),
                "member",
                "this rep's deals"));
      }
    }
  }

  /**
   * What is worth a look.
   *
   * @param held keys of deals whose line is held back: they are not gone
   */
  public List<Finding> findings(Set<String> held) {
    List<Finding> found = new ArrayList<>(unusual);
    LoadSpec.Snapshot snapshot = spec.snapshot();
    if (snapshot != null && posted.asOf() != null && snapshot.asOf().isBefore(posted.asOf())) {
      found.add(Finding.of(1, null, FindingCode.SNAPSHOT_OLDER, "day", posted.asOf().toString()));
    } else if (posted.asOf() != null) {
      Finding gone = gone(held);
      if (gone != null) {
        found.add(gone);
      }
    }
    return found;
  }

  private @Nullable Finding gone(Set<String> held) {
    Set<String> here = new HashSet<>(seen);
    held.forEach(key -> here.add(DealKey.fold(key)));
    Set<String> gone = new TreeSet<>(DealKey.ORDER);
    posted.open().stream().filter(key -> !here.contains(DealKey.fold(key))).forEach(gone::add);
    if (gone.isEmpty()) {
      return null;
    }
    String named = String.join(", ", gone.stream().limit(MOST_NAMED).toList());
    return Finding.of(
        1,
        null,
        FindingCode.DEALS_GONE,
        "day",
        String.valueOf(posted.asOf()),
        "count",
        Integer.toString(gone.size()),
        "deals",
        gone.size() > MOST_NAMED ? named + " …" : named);
  }
}
