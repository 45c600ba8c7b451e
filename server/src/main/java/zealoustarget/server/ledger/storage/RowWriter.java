package zealoustarget.server.ledger.storage;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;
import org.hibernate.StatelessSession;
import zealoustarget.core.intake.LoadRow;
import zealoustarget.core.outlook.Deal;

/** Writes one load's rows in the transaction of its session, in their order. */
public final class RowWriter {
  private static final int BATCH = 5_000;

  private final StatelessSession session;
  private final int loadId;
  private final Parts<LoadRow.Actual> actuals =
      new Parts<>(ActualPart::pack, ActualPartEntity::new);
  private final Parts<LoadRow.Goal> goals = new Parts<>(GoalPart::pack, GoalPartEntity::new);
  private final Parts<Deal> deals = new Parts<>(DealPart::pack, DealPartEntity::new);
  private final List<Object> others = new ArrayList<>();
  private long written;

  /** Makes the entity of a part. */
  private interface Maker {
    PartEntity make(long id, int loadId, int rowCount, byte[] content);
  }

  /** Rows of one kind, written part by part. */
  private final class Parts<T> {
    private final Gatherer<T> gathered;
    private final Maker maker;
    private long number;

    Parts(Function<List<T>, byte[]> pack, Maker maker) {
      this.gathered = new Gatherer<>(pack);
      this.maker = maker;
    }

    void add(T row) {
      if (gathered.add(row)) {
        flush();
      }
    }

    void flush() {
      if (!gathered.isEmpty()) {
        int size = gathered.size();
        long id = RowStore.firstId(loadId) + number++;
        session.insert(maker.make(id, loadId, size, gathered.take()));
      }
    }
  }

  RowWriter(StatelessSession session, int loadId) {
    this.session = session;
    this.loadId = loadId;
  }

  /** Takes one row. */
  public void add(LoadRow row) {
    if (row instanceof LoadRow.Actual actual) {
      actuals.add(actual);
      return;
    }
    if (row instanceof LoadRow.Goal goal) {
      goals.add(goal);
      return;
    }
    if (row instanceof LoadRow.OfDeal deal) {
      deals.add(deal.deal());
      return;
    }
    others.add(entity(RowStore.firstId(loadId) + written++, row));
    if (others.size() >= BATCH) {
      flushOthers();
    }
  }

  /** Writes what is left; nothing may be added after. */
  public void finish() {
    actuals.flush();
    goals.flush();
    deals.flush();
    flushOthers();
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
