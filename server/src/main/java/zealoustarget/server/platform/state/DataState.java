package zealoustarget.server.platform.state;

import java.util.HashMap;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.locks.ReentrantLock;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import zealoustarget.core.ledger.ReadLog;

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

  /**
   * A state that somebody holds.
   *
   * @param ground number of the state since which only rows of some months changed
   * @param months the state that last changed a month's rows, of those that changed since
   * @param extent the state that last changed which months have rows
   */
  record Held(
      long number,
      Map<Part<?>, Object> parts,
      long ground,
      Map<Integer, Long> months,
      long extent) {
    private Held(long number, Map<Part<?>, Object> parts) {
      this(number, Map.copyOf(parts), number, Map.of(), number);
    }

    private Held after(Next next) {
      Map<Part<?>, Object> then = new HashMap<>(parts);
      then.putAll(next.parts);
      if (next.months == null) {
        return new Held(number + 1, then);
      }
      Map<Integer, Long> changed = new HashMap<>(months);
      next.months.forEach(month -> changed.put(month, number + 1));
      return new Held(
          number + 1,
          Map.copyOf(then),
          ground,
          Map.copyOf(changed),
          next.isExtentChanged ? number + 1 : extent);
    }

    private String version(ReadParts read) {
      if (read.isEverything()) {
        return Long.toString(number);
      }
      StringBuilder version = new StringBuilder().append(ground);
      if (read.isExtent()) {
        version.append(' ').append(extent);
      }
      for (int month : read.months()) {
        Long changed = months.get(month);
        if (changed != null) {
          version.append(' ').append(month).append(':').append(changed);
        }
      }
      return version.toString();
    }
  }

  /** The parts by which the next state differs. */
  public static final class Next {
    private final Map<Part<?>, Object> parts = new HashMap<>();
    private @Nullable Set<Integer> months;
    private boolean isExtentChanged;

    /**
     * Says that nothing changes but rows of some months.
     *
     * @param isExtentChanged whether other months have rows than before
     */
    public Next changingOnly(Set<Integer> changed, boolean isExtentChanged) {
      this.months = Set.copyOf(changed);
      this.isExtentChanged = isExtentChanged;
      return this;
    }

    public <T> Next with(Part<T> part, T value) {
      parts.put(part, value);
      return this;
    }
  }

  private final ReentrantLock turn = new ReentrantLock(true);
  private final ThreadLocal<Held> held = new ThreadLocal<>();
  private final ThreadLocal<ReadParts> reading = new ThreadLocal<>();
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
  public <T> @Nullable T get(Part<T> part) {
    return (T) state().parts.get(part);
  }

  /** The number of the state since which only rows of some months changed. */
  public long ground() {
    return state().ground;
  }

  /** Tells apart the states in which what was read is not the same. */
  public String version(ReadParts read) {
    return state().version(read);
  }

  /** Notes what this thread reads from now on, until {@link #endReading}. */
  public ReadParts beginReading() {
    ReadParts parts = new ReadParts();
    reading.set(parts);
    return parts;
  }

  public void endReading() {
    reading.remove();
  }

  /** Where what this thread reads is noted. */
  public ReadLog readLog() {
    ReadParts parts = reading.get();
    return parts == null ? ReadLog.NONE : parts;
  }

  private Held state() {
    Held own = held.get();
    return own == null ? latest : own;
  }

  /** Puts the next state in force; whoever puts parts of it has the turn. */
  public synchronized void swap(Next next) {
    latest = latest.after(next);
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
          return true; // nobody looks at it
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
  void hold(@Nullable Held handedOn) {
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
