package zealoustarget.server.platform;

import java.util.concurrent.atomic.AtomicLong;
import org.springframework.stereotype.Component;

/**
 * Numbers the states of what is read: posted rows, seals, rules, notes. The number grows once a
 * change is in force, so what was read under a number can be told from what would be read now.
 */
@Component
public class DataState {
  private final AtomicLong number = new AtomicLong(System.currentTimeMillis() << 12);

  /** The state in force; never the same over a restart. */
  public long number() {
    return number.get();
  }

  /** Says that a change is in force. */
  public void changed() {
    number.incrementAndGet();
  }
}
