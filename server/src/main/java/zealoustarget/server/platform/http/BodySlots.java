package zealoustarget.server.platform.http;

import java.util.HashMap;
import java.util.Map;

/**
 * How many bodies are being read at once, in all and from one address, so that slow ones never take
 * every thread. The last places are for addresses that have hardly any.
 */
final class BodySlots {
  static final int IN_ALL = 100;
  static final int PER_ADDRESS = 20;
  private static final int LAST_ONES = 20;
  private static final int PER_ADDRESS_OF_LAST = 2;

  private final Map<String, Integer> byAddress = new HashMap<>(); // at most one entry a body
  private int all;

  /** Takes a place for a body; false where there is none. */
  synchronized boolean enter(String address) {
    int own = byAddress.getOrDefault(address, 0);
    int most = all < IN_ALL - LAST_ONES ? PER_ADDRESS : PER_ADDRESS_OF_LAST;
    if (all >= IN_ALL || own >= most) {
      return false;
    }
    byAddress.put(address, own + 1);
    all++;
    return true;
  }

  /** Gives a place back. */
  synchronized void leave(String address) {
    byAddress.merge(address, -1, (had, less) -> had == 1 ? null : had + less);
    all--;
  }
}
