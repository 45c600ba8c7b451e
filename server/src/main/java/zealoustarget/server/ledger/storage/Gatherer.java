package zealoustarget.server.ledger.storage;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;

/** Gathers rows until they are one part. */
final class Gatherer<T> {
  /** Rows of one part; only a load's last has fewer. */
  static final int SIZE = 4_096;

  private final Function<List<T>, byte[]> pack;
  private final List<T> rows = new ArrayList<>(SIZE);

  Gatherer(Function<List<T>, byte[]> pack) {
    this.pack = pack;
  }

  /** Takes a row; whether the part is full now. */
  boolean add(T row) {
    rows.add(row);
    return rows.size() == SIZE;
  }

  boolean isEmpty() {
    return rows.isEmpty();
  }

  int size() {
    return rows.size();
  }

  /** The part, packed; begins the next. */
  byte[] take() {
    byte[] packed = pack.apply(rows);
    rows.clear();
    return packed;
  }
}
