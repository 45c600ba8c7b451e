package zealoustarget.server.intake;

import java.util.ArrayList;
import java.util.List;
import zealoustarget.core.intake.Finding;
import zealoustarget.core.intake.LineOutcome;
import zealoustarget.core.intake.Row;
import zealoustarget.server.ledger.RowStore;
import zealoustarget.server.roster.MemberStore;

/** Gathers a load's rows and findings and writes them in batches. */
final class StagedRows {
  private static final int BATCH = 10_000;

  /** Findings beyond are counted, not kept: whoever has ten thousand fixes the cause. */
  private static final int MOST_FINDINGS = 10_000;

  private final int loadId;
  private final RowStore rowStore;
  private final MemberStore members;
  private final LoadStore loadStore;
  private final List<Row> rows = new ArrayList<>();
  private final List<Finding> findings = new ArrayList<>();
  private long rowsWritten;
  private long findingsWritten;
  private int findingCount;
  private Integer firstMonth;
  private Integer lastMonth;

  StagedRows(int loadId, RowStore rowStore, MemberStore members, LoadStore loadStore) {
    this.loadId = loadId;
    this.rowStore = rowStore;
    this.members = members;
    this.loadStore = loadStore;
  }

  void add(LineOutcome outcome) {
    addFindings(outcome.findings());
    for (Row row : outcome.rows()) {
      rows.add(row);
      seeMonth(row);
    }
    if (rows.size() >= BATCH) {
      flush();
    }
  }

  void addFindings(List<Finding> more) {
    for (Finding finding : more) {
      if (findingCount++ < MOST_FINDINGS) {
        findings.add(finding);
      }
    }
  }

  /** Writes what is gathered; members first, as rows hold their numbers. */
  void flush() {
    members.flush();
    rowStore.write(loadId, rowsWritten, rows);
    loadStore.writeFindings(loadId, findingsWritten, findings);
    rowsWritten += rows.size();
    findingsWritten += findings.size();
    rows.clear();
    findings.clear();
  }

  int findingCount() {
    return findingCount;
  }

  /** The earliest month of a row with amounts, null where no row has a month. */
  Integer firstMonth() {
    return firstMonth;
  }

  Integer lastMonth() {
    return lastMonth;
  }

  private void seeMonth(Row row) {
    if (row instanceof Row.Actual actual) {
      seeMonth(actual.month());
    } else if (row instanceof Row.Goal goal) {
      seeMonth(goal.month());
    }
  }

  private void seeMonth(int month) {
    firstMonth = firstMonth == null ? month : Math.min(firstMonth, month);
    lastMonth = lastMonth == null ? month : Math.max(lastMonth, month);
  }
}
