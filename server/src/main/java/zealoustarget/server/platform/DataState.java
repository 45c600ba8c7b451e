package zealoustarget.server.platform;

import java.util.HashMap;
import java.util.Map;
import java.util.concurrent.locks.ReentrantLock;
import org.springframework.stereotype.Component;

/**
 * The one state of everything that figures are read from: the ledger, the seals, the rules. It is
 * immutable and numbered; a change makes the whole next one, stores it, and then swaps one
 * reference, which cannot fail.
 *
 * <p>Changes take turns by {@link #inTurn}. A request holds the state that it began with, so that
 * figures, rules and names of one answer belong together; whoever changes it goes on with the next.
 */
@Component
public class DataState {
  /** One part of the state, kept by the room that makes it. */
  public static final class Part<T> {}

  /** A state that somebody holds. */
  public static final class Held {
    private final long number;
    private final Map<Part<?>, Object> parts;

    private Held(long number, Map<Part<?>, Object> parts) {
      this.number = number;
      this.parts = Map.copyOf(parts);
    }
  }

  /** The parts by which the next state differs. */
  public static final class Next {
    private final Map<Part<?>, Object> parts = new HashMap<>();

    public <T> Next with(Part<T> part, T value) {
      parts.put(part, value);
      return this;
    }
  }

  private final ReentrantLock turn = new ReentrantLock(true);
  private final ThreadLocal<Held> held = new ThreadLocal<>();
  private volatile Held latest = new Held(System.currentTimeMillis() << 12, Map.of());

  /** The number of the state that is read; never the same over a restart. */
  public long number() {
    return state().number;
  }

  /** The number of the state in force, which may be later than the one that is read. */
  public long latestNumber() {
    return latest.number;
  }

  /** A part of the state that is read; null before it was ever put in force. */
  @SuppressWarnings("unchecked") // a part only ever gets values of its type
  public <T> T get(Part<T> part) {
    return (T) state().parts.get(part);
  }

  private Held state() {
    Held own = held.get();
    return own == null ? latest : own;
  }

  /** Puts the next state in force; whoever puts parts of it has the turn. */
  public synchronized void swap(Next next) {
    Map<Part<?>, Object> parts = new HashMap<>(latest.parts);
    parts.putAll(next.parts);
    latest = new Held(latest.number + 1, parts);
    goOn();
  }

  /** Says that something was changed that is read beside the state, such as a note. */
  public void changed() {
    swap(new Next());
  }

  /** Does work that changes the state, alone and from the latest one on. */
  public void inTurn(Runnable work) {
    getInTurn(
        () -> {
          work.run();
          return null;
        });
  }

  /** The same for work that gives a value or fails. */
  public <T, E extends Exception> T getInTurn(Work<T, E> work) throws E {
    turn.lock();
    try {
      goOn();
      return work.run();
    } finally {
      turn.unlock();
    }
  }

  /** Takes the turn until {@link #endTurn}, for work whose end comes by itself. */
  public void beginTurn() {
    turn.lock();
    goOn();
  }

  /** Ends what {@link #beginTurn} began, in the same thread. */
  public void endTurn() {
    turn.unlock();
  }

  private void goOn() {
    if (held.get() != null) {
      held.set(latest);
    }
  }

  /** Holds the latest state in this thread until {@link #release}. */
  public void hold() {
    held.set(latest);
  }

  /** Holds a state that another thread handed on. */
  void hold(Held handedOn) {
    held.set(handedOn);
  }

  /** What this thread reads, to be handed on. */
  Held held() {
    return state();
  }

  public void release() {
    held.remove();
  }
}
