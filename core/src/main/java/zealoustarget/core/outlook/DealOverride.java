package zealoustarget.core.outlook;

import java.time.LocalDate;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * One value of a deal that somebody knows better than its source; docs/calculations.md, section 9.
 * It counts from the snapshot on which it was made until the source says something else.
 *
 * @param deal key, as {@link DealKey#fold} gives it
 * @param measure of an amount, null for other fields
 * @param value instead: of {@link Deal#CERTAIN}, a month's number, or smallest units
 * @param was what the source said when it was made
 * @param since day of the snapshot on which it was made
 */
public record DealOverride(
    String source,
    String deal,
    Field field,
    @Nullable String measure,
    long value,
    long was,
    LocalDate since) {
  /** What may be overridden. */
  public enum Field {
    LIKELIHOOD,
    CLOSES,
    AMOUNT
  }

  /**
   * Snapshots with what is overridden in them.
   *
   * @param snapshots in the order of those that were given
   * @param marked fields that are overridden, by the load of the snapshot and the folded key
   */
  public record Overridden(
      List<DealSnapshot> snapshots, Map<Integer, Map<String, Set<Field>>> marked) {
    /** The fields of a deal that are overridden in a snapshot. */
    public Set<Field> of(DealSnapshot snapshot, String deal) {
      return marked
          .getOrDefault(snapshot.origin().load(), Map.of())
          .getOrDefault(DealKey.fold(deal), Set.of());
    }
  }

  /** Puts overrides over the snapshots of their sources; closed deals stay as they are. */
  public static Overridden over(List<DealSnapshot> posted, Collection<DealOverride> overrides) {
    Map<Integer, Map<String, Map<DealOverride, Long>>> changes = new HashMap<>();
    for (DealOverride override : overrides) {
      for (DealSnapshot snapshot : override.standsIn(posted)) {
        changes
            .computeIfAbsent(snapshot.origin().load(), load -> new HashMap<>())
            .computeIfAbsent(override.deal, deal -> new HashMap<>())
            .put(override, override.value);
      }
    }
    Map<Integer, Map<String, Set<Field>>> marked = new HashMap<>();
    List<DealSnapshot> changed =
        posted.stream()
            .map(
                snapshot -> {
                  Map<String, Map<DealOverride, Long>> here = changes.get(snapshot.origin().load());
                  if (here == null) {
                    return snapshot;
                  }
                  here.forEach(
                      (deal, some) -> some.keySet().forEach(one -> one.mark(snapshot, marked)));
                  return snapshot.with(
                      deal -> changed(deal, snapshot, here.get(DealKey.fold(deal.key()))));
                })
            .toList();
    return new Overridden(changed, marked);
  }

  private void mark(DealSnapshot snapshot, Map<Integer, Map<String, Set<Field>>> marked) {
    marked
        .computeIfAbsent(snapshot.origin().load(), load -> new HashMap<>())
        .computeIfAbsent(deal, key -> new HashSet<>())
        .add(field);
  }

  /** The snapshots in which the source still says what it said. */
  private List<DealSnapshot> standsIn(List<DealSnapshot> posted) {
    List<DealSnapshot> ofSource =
        posted.stream()
            .filter(one -> one.source().equals(source) && !one.asOf().isBefore(since))
            .sorted(Comparator.comparing(DealSnapshot::asOf))
            .toList();
    int stands = 0;
    while (stands < ofSource.size() && holds(ofSource.get(stands))) {
      stands++;
    }
    return ofSource.subList(0, stands);
  }

  private boolean holds(DealSnapshot snapshot) {
    int at = snapshot.find(deal);
    return at >= 0 && snapshot.isOpen(at) && valueIn(snapshot, at, field, measure) == was;
  }

  /** What a snapshot says of a field of a deal. */
  public static long valueIn(DealSnapshot snapshot, int at, Field field, @Nullable String measure) {
    return switch (field) {
      case LIKELIHOOD -> snapshot.likelihood(at);
      case CLOSES -> snapshot.month(at);
      case AMOUNT -> snapshot.amount(snapshot.measure(String.valueOf(measure)), at);
    };
  }

  private static Deal changed(
      Deal deal, DealSnapshot snapshot, @Nullable Map<DealOverride, Long> some) {
    if (some == null) {
      return deal;
    }
    int likelihood = deal.likelihood();
    int month = deal.month();
    long[] amounts = deal.amounts().clone();
    for (DealOverride one : some.keySet()) {
      switch (one.field) {
        case LIKELIHOOD -> likelihood = (int) one.value;
        case CLOSES -> month = (int) one.value;
        case AMOUNT -> amounts[snapshot.measure(String.valueOf(one.measure))] = one.value;
      }
    }
    return deal.with(likelihood, month, deal.state(), amounts);
  }
}
