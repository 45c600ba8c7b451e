package zealoustarget.server.ledger.state;

import java.util.Collection;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.IntStream;
import zealoustarget.core.outlook.DealSnapshot;

/**
 * The snapshots of deals among the posted loads, in the order of their posting; lines that were
 * held back and came later belong to the snapshot of their file.
 *
 * @param from the loads that they are made of
 */
record PostedDeals(List<LoadedRows> from, List<DealSnapshot> snapshots) {
  static final PostedDeals NONE = new PostedDeals(List.of(), List.of());

  PostedDeals {
    from = List.copyOf(from);
    snapshots = List.copyOf(snapshots);
  }

  /** Those of some loads; the same object as before where they are of the same rows. */
  static PostedDeals of(Map<Integer, LoadedRows> loads, PostedDeals before) {
    List<LoadedRows> from =
        loads.values().stream()
            .filter(rows -> rows.deals() != null)
            .sorted(Comparator.comparingInt(rows -> rows.load().order()))
            .toList();
    boolean isSame =
        from.size() == before.from.size()
            && IntStream.range(0, from.size()).allMatch(at -> from.get(at) == before.from.get(at));
    return isSame ? before : new PostedDeals(from, snapshots(from, loads));
  }

  /** Those of some loads, in the order of their posting. */
  static List<DealSnapshot> of(Collection<LoadedRows> loads) {
    Map<Integer, LoadedRows> byId = new LinkedHashMap<>();
    loads.forEach(rows -> byId.put(rows.load().id(), rows));
    return of(byId, NONE).snapshots();
  }

  private static List<DealSnapshot> snapshots(
      List<LoadedRows> from, Map<Integer, LoadedRows> loads) {
    Map<Integer, DealSnapshot> byLoad = new LinkedHashMap<>();
    for (LoadedRows rows : from) {
      DealSnapshot deals = Objects.requireNonNull(rows.deals());
      Integer whole = rows.load().remainderOf();
      if (whole == null) {
        byLoad.put(rows.load().id(), deals);
      } else {
        byLoad.computeIfPresent(root(whole, loads), (id, known) -> known.plus(deals));
      }
    }
    return List.copyOf(byLoad.values());
  }

  /** The load of which a load is, or is again, the rest. */
  private static int root(int load, Map<Integer, LoadedRows> loads) {
    LoadedRows rows = loads.get(load);
    Integer whole = rows == null ? null : rows.load().remainderOf();
    return whole == null ? load : root(whole, loads);
  }
}
