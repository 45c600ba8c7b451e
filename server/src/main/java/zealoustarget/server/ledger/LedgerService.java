package zealoustarget.server.ledger;

import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.springframework.stereotype.Service;
import zealoustarget.core.Refusal;
import zealoustarget.core.intake.LoadKind;
import zealoustarget.core.ledger.Change;
import zealoustarget.core.ledger.Ledger;
import zealoustarget.core.ledger.Overlay;
import zealoustarget.core.ledger.PostMode;
import zealoustarget.core.ledger.Scope;
import zealoustarget.core.member.Axis;
import zealoustarget.server.roster.MemberStore;

/**
 * Holds the ledger of the posted loads: one immutable state that is swapped whole.
 *
 * <p>A change is first prepared beside the state in force, then stored by the caller, then put in
 * force; readers see the state before or after, never between.
 */
@Service
public class LedgerService {
  /** A ledger that is not in force yet. */
  public static final class Prepared {
    private final Ledger ledger;
    private final Map<Integer, LoadedRows> loads;

    /** What the figures would be. */
    public Ledger ledger() {
      return ledger;
    }

    private Prepared(Map<Integer, LoadedRows> loads, Ledger ledger) {
      this.loads = Map.copyOf(loads);
      this.ledger = ledger;
    }
  }

  private record State(Ledger ledger, Map<Integer, LoadedRows> loads) {}

  private final RowStore rows;
  private final MemberStore members;
  private volatile State state = new State(Ledger.empty(), Map.of());

  LedgerService(RowStore rows, MemberStore members) {
    this.rows = rows;
    this.members = members;
  }

  public Ledger current() {
    return state.ledger();
  }

  /** Reads all posted loads at the start. */
  public void open(List<PostedLoad> posted) {
    Map<Integer, LoadedRows> loads = new HashMap<>();
    posted.forEach(load -> loads.put(load.id(), rows.read(load)));
    apply(prepare(loads));
  }

  /**
   * The ledger with one more load.
   *
   * @throws Refusal members-gone if the load names reps or products that are not known any more;
   *     sum-too-large if all posted amounts of a measure could pass what can be summed
   */
  public Prepared with(PostedLoad load) {
    Map<Integer, LoadedRows> loads = new HashMap<>(state.loads());
    loads.put(load.id(), rows.read(load));
    Prepared prepared = prepare(loads);
    if (!unknownMembers(prepared, List.of(load.id())).isEmpty()) {
      throw Refusal.of(
          "members-gone",
          "Reps or products of this load are no longer known, as their list was reversed. Post that"
              + " list again, then load this file once more.");
    }
    prepared.ledger.checkSums();
    return prepared;
  }

  /**
   * What posting a load would change, without posting it.
   *
   * @param mode null for the mode that is proposed
   * @param axis whose actuals are compared
   */
  public Preview preview(PostedLoad load, PostMode mode, Axis axis) {
    Ledger before = state.ledger();
    LoadedRows loaded = rows.read(load);
    boolean hasActuals = loaded.actuals() != null && loaded.actuals().size() > 0;
    PostMode proposed = hasActuals ? Overlay.proposed(loaded.actuals(), before) : PostMode.ADD;
    PostMode looked = mode == null ? proposed : mode;
    Map<Integer, LoadedRows> loads = new HashMap<>(state.loads());
    loads.put(load.id(), loaded.withMode(looked));
    Ledger after = prepare(loads).ledger();
    return new Preview(
        proposed,
        looked,
        hasActuals ? Scope.of(loaded.actuals(), after.members()) : null,
        hasActuals ? Change.ofActuals(before, after, axis, load.measures()) : List.of(),
        load.goalSet() == null ? List.of() : Change.ofGoals(before, after, load.goalSet()),
        after);
  }

  /**
   * The ledger without one of its loads.
   *
   * @throws Refusal load-in-use if other posted loads need the reps or products that it brought
   */
  public Prepared without(int loadId) {
    Map<Integer, LoadedRows> loads = new HashMap<>(state.loads());
    loads.remove(loadId);
    Prepared prepared = prepare(loads);
    List<Integer> needing = unknownMembers(prepared, loads.keySet());
    if (!needing.isEmpty()) {
      throw Refusal.of(
              "load-in-use",
              "Other posted loads name reps or products that only this one introduces: load "
                  + String.join(", ", needing.stream().map(String::valueOf).toList())
                  + ". Reverse those first.")
          .with("loads", needing);
    }
    return prepared;
  }

  /**
   * Goals that stand beside single lines of actuals, as the posted loads of a set have them.
   *
   * @return amounts in smallest units by {@link #place}
   */
  public Map<Long, Long> lineGoals(String goalSet, String measure) {
    Map<Long, Long> goals = new HashMap<>();
    state.loads().values().stream()
        .map(LoadedRows::load)
        .filter(load -> load.kind() == LoadKind.ACTUALS && goalSet.equals(load.goalSet()))
        .filter(load -> load.measures().contains(measure))
        .forEach(
            load ->
                rows.lineGoals(load, measure)
                    .forEach((line, amount) -> goals.put(place(load.id(), line), amount)));
    return goals;
  }

  /** A load's line as one number. */
  public static long place(int loadId, int line) {
    return (long) loadId << 32 | line;
  }

  public boolean isPosted(int loadId) {
    return state.loads().containsKey(loadId);
  }

  /** Puts a prepared ledger in force; callers take turns. */
  public void apply(Prepared prepared) {
    state = new State(prepared.ledger, prepared.loads);
  }

  private Prepared prepare(Map<Integer, LoadedRows> loads) {
    return new Prepared(loads, new LedgerBuilder(loads.values(), members::key).build());
  }

  /** The loads among {@code loadIds} that name a rep or product which nothing posted introduces. */
  private static List<Integer> unknownMembers(Prepared prepared, Collection<Integer> loadIds) {
    return loadIds.stream()
        .sorted()
        .filter(id -> namesUnknown(prepared.ledger, prepared.loads.get(id)))
        .toList();
  }

  private static boolean namesUnknown(Ledger ledger, LoadedRows rows) {
    Axis axis = rows.load().axis();
    boolean hasUnknownGoal =
        axis != null
            && !axis.isItsOwnKey()
            && rows.goals().stream()
                .anyMatch(cell -> !ledger.members().isKnown(axis, cell.member()));
    return hasUnknownGoal
        || rows.actuals() != null
            && (hasUnknown(ledger, Axis.REP, rows.actuals().namedReps())
                || hasUnknown(ledger, Axis.PRODUCT, rows.actuals().namedProducts()));
  }

  private static boolean hasUnknown(Ledger ledger, Axis axis, IntStream ids) {
    return ids.anyMatch(id -> !ledger.members().isKnown(axis, id));
  }
}
