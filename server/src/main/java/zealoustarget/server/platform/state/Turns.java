package zealoustarget.server.platform.state;

import java.util.concurrent.locks.Lock;
import java.util.concurrent.locks.ReentrantLock;
import java.util.stream.Stream;

/** Turns for work on the same thing; a few things share one. */
public final class Turns {
  private final Lock[] turns;

  public Turns(int count) {
    turns = Stream.generate(ReentrantLock::new).limit(count).toArray(Lock[]::new);
  }

  /** Waits for the turn of a thing and takes it; whoever has it unlocks it. */
  public Lock take(String thing) {
    Lock turn = turns[Math.floorMod(thing.hashCode(), turns.length)];
    turn.lock();
    return turn;
  }
}
