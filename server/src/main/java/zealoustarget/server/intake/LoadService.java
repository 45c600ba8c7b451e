package zealoustarget.server.intake;

import java.time.Clock;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.locks.ReentrantLock;
import org.springframework.stereotype.Service;
import zealoustarget.core.Refusal;
import zealoustarget.server.ledger.LedgerService;
import zealoustarget.server.ledger.RowStore;

/** Posts, reverses and discards loads; one at a time, each in one transaction. */
@Service
public class LoadService {
  private static final int LONGEST_REASON = 400;

  private final LoadStore store;
  private final RowStore rows;
  private final LedgerService ledgers;
  private final Clock clock;
  private final ReentrantLock turn = new ReentrantLock();

  LoadService(LoadStore store, RowStore rows, LedgerService ledgers, Clock clock) {
    this.store = store;
    this.rows = rows;
    this.ledgers = ledgers;
    this.clock = clock;
  }

  /** Removes what an earlier halt left half-read, and brings the posted loads into memory. */
  public void open() {
    for (LoadEntity load : store.inState(LoadState.READING)) {
      rows.delete(load.id);
      store.remove(load.id);
    }
    ledgers.open(
        store.inState(LoadState.POSTED).stream()
            .sorted(Comparator.comparing(load -> load.postOrder))
            .map(load -> load.toPosted(load.postOrder))
            .toList());
  }

  /** Whether any load was ever kept. */
  public boolean isEmpty() {
    return store.all().isEmpty();
  }

  /**
   * Posts the ready rows, all or nothing.
   *
   * @param isLeavingHeld whether lines that are held back may stay behind
   * @param because why a control total is not met, or null
   * @throws Refusal load-unknown, load-not-staged, nothing-ready, lines-held,
   *     control-total-differs, members-gone, measure-gone, sum-too-large
   */
  public void post(int id, boolean isLeavingHeld, String because) {
    turn.lock();
    try {
      LoadEntity load = store.get(id);
      checkPostable(load, isLeavingHeld, because);
      int order = store.nextPostOrder();
      LedgerService.Prepared prepared = ledgers.with(load.toPosted(order));
      store.change(
          id,
          changed -> {
            changed.state = LoadState.POSTED;
            changed.postOrder = order;
            changed.postedAt = clock.instant();
            changed.because = because;
          });
      ledgers.apply(prepared);
    } finally {
      turn.unlock();
    }
  }

  /**
   * Takes a posted load out again; goals and stays that it replaced count again.
   *
   * @throws Refusal load-unknown, load-not-posted, load-in-use
   */
  public void reverse(int id) {
    turn.lock();
    try {
      LoadEntity load = store.get(id);
      if (load.state != LoadState.POSTED) {
        throw stateRefusal("load-not-posted", load, "Only a posted load can be reversed.");
      }
      LedgerService.Prepared prepared = ledgers.without(id);
      store.change(
          id,
          changed -> {
            changed.state = LoadState.REVERSED;
            changed.reversedAt = clock.instant();
          });
      ledgers.apply(prepared);
    } finally {
      turn.unlock();
    }
  }

  /**
   * Forgets a staged load with all its lines.
   *
   * @throws Refusal load-unknown, load-not-staged
   */
  public void discard(int id) {
    turn.lock();
    try {
      LoadEntity load = store.get(id);
      if (load.state != LoadState.STAGED) {
        throw stateRefusal("load-not-staged", load, "Only a staged load can be discarded.");
      }
      rows.delete(id);
      store.remove(id);
    } finally {
      turn.unlock();
    }
  }

  /** File names by load, for the proof of a figure. */
  public Map<Integer, String> fileNames() {
    Map<Integer, String> names = new HashMap<>();
    store.all().forEach(load -> names.put(load.id, load.fileName));
    return names;
  }

  private static void checkPostable(LoadEntity load, boolean isLeavingHeld, String because) {
    if (load.state != LoadState.STAGED) {
      throw stateRefusal("load-not-staged", load, "Only a staged load can be posted.");
    }
    if (load.held > 0 && !isLeavingHeld) {
      throw Refusal.of(
              "lines-held",
              load.held
                  + (load.held == 1 ? " line is" : " lines are")
                  + " held back. Correct the file and load it again, or post with held=leave.")
          .with("held", load.held);
    }
    if (load.ready == 0) {
      throw Refusal.of("nothing-ready", "No line of this load is ready to be posted.");
    }
    checkControlTotal(load, because);
  }

  private static void checkControlTotal(LoadEntity load, String because) {
    if (because != null && because.length() > LONGEST_REASON) {
      throw Refusal.of(
          "value-unknown", "\"because\" must have at most " + LONGEST_REASON + " characters.");
    }
    if (!load.isControlTotalMet() && (because == null || because.isBlank())) {
      List<String> measures =
          load.sums.stream().filter(sum -> !sum.isMet()).map(sum -> sum.measure).toList();
      throw Refusal.of(
              "control-total-differs",
              "The control total of "
                  + String.join(", ", measures)
                  + " is not met. Load the right file, or say with because=… why it is posted.")
          .with("measures", measures);
    }
  }

  private static Refusal stateRefusal(String code, LoadEntity load, String rule) {
    return Refusal.of(code, "Load " + load.id + " is " + load.state.word() + ". " + rule)
        .with("state", load.state.word());
  }
}
