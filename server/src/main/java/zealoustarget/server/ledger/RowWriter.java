package zealoustarget.server.ledger;

import java.util.ArrayList;
import java.util.List;
import org.hibernate.StatelessSession;
import zealoustarget.core.intake.LoadRow;

/** Writes one load's rows in the transaction of its session, in their order. */
public final class RowWriter {
  private static final int BATCH = 5_000;

  private final StatelessSession session;
  private final int loadId;
  private final ActualPart.Gatherer actuals = new ActualPart.Gatherer();
  private final GoalPart.Gatherer goals = new GoalPart.Gatherer();
  private final List<Object> others = new ArrayList<>();
  private long parts;
  private long goalParts;
  private long written;

  RowWriter(StatelessSession session, int loadId) {
    this.session = session;
    this.loadId = loadId;
  }

  /** Takes one row. */
  public void add(LoadRow row) {
    if (row instanceof LoadRow.Actual actual) {
      if (actuals.add(actual)) {
        flushActuals();
      }
      return;
    }
    if (row instanceof LoadRow.Goal goal) {
      if (goals.add(goal)) {
        flushGoals();
      }
      return;
    }
    others.add(entity(RowStore.firstId(loadId) + written++, row));
    if (others.size() >= BATCH) {
      flushOthers();
    }
  }

  /** Writes what is left; nothing may be added after. */
  public void finish() {
    if (!actuals.isEmpty()) {
      flushActuals();
    }
    if (goals.size() > 0) {
      flushGoals();
    }
    flushOthers();
  }

  private void flushGoals() {
    int size = goals.size();
    session.insert(
        new GoalPartEntity(RowStore.firstId(loadId) + goalParts++, loadId, size, goals.take()));
  }

  private void flushActuals() {
    int size = actuals.size();
    session.insert(
        new ActualPartEntity(RowStore.firstId(loadId) + parts++, loadId, size, actuals.take()));
  }

  private void flushOthers() {
    session.insertMultiple(List.copyOf(others));
    others.clear();
  }

  private Object entity(long id, LoadRow row) {
    return row instanceof LoadRow.RosterAssignment stay
        ? new StayRowEntity(id, loadId, stay)
        : new ProductRowEntity(id, loadId, (LoadRow.Product) row);
  }
}
