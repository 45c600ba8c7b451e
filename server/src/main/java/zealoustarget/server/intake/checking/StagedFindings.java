package zealoustarget.server.intake.checking;

import java.util.ArrayList;
import java.util.List;
import org.hibernate.StatelessSession;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.intake.Finding;
import zealoustarget.core.intake.LoadRow;
import zealoustarget.server.intake.corrections.Fixes;
import zealoustarget.server.intake.load.LoadStore;

/** Gathers a load's findings and writes them in batches; looks at its rows' months on the way. */
final class StagedFindings {
  private static final int BATCH = 1_000;

  /** Findings beyond are counted, not kept: whoever has ten thousand fixes the cause. */
  private static final int MOST = 10_000;

  private final int loadId;
  private final Fixes fixes;
  private final LoadStore store;
  private final List<Finding> unwritten = new ArrayList<>();
  private long written;
  private int kept;
  private int ofLines;
  private @Nullable Integer firstMonth;
  private @Nullable Integer lastMonth;

  StagedFindings(int loadId, Fixes fixes, LoadStore store) {
    this.loadId = loadId;
    this.fixes = fixes;
    this.store = store;
  }

  void add(StatelessSession session, List<Finding> more) {
    for (Finding finding : more) {
      ofLines += finding.code().isOfFile() ? 0 : 1;
      if (kept < MOST) {
        unwritten.add(finding);
        kept++;
      }
    }
    if (unwritten.size() >= BATCH) {
      finish(session);
    }
  }

  /** Writes what is gathered. */
  void finish(StatelessSession session) {
    store.writeFindings(session, loadId, written, unwritten, fixes);
    written += unwritten.size();
    unwritten.clear();
  }

  /** How many there are about lines and columns; checks of the file as a whole count apart. */
  int count() {
    return ofLines;
  }

  /** The earliest month of a row with amounts, null where no row has a month. */
  @Nullable Integer firstMonth() {
    return firstMonth;
  }

  @Nullable Integer lastMonth() {
    return lastMonth;
  }

  void seeMonth(LoadRow row) {
    if (row instanceof LoadRow.Actual actual) {
      seeMonth(actual.month());
    } else if (row instanceof LoadRow.Goal goal) {
      seeMonth(goal.month());
    } else if (row instanceof LoadRow.OfDeal deal) {
      seeMonth(deal.deal().month());
    }
  }

  private void seeMonth(int month) {
    firstMonth = firstMonth == null ? month : Math.min(firstMonth, month);
    lastMonth = lastMonth == null ? month : Math.max(lastMonth, month);
  }
}
