package zealoustarget.core.outlook;

import java.util.HashMap;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * What became of the open deals of a span between two snapshots of one source: before + added +
 * movedIn + raised − lowered − won − lost − movedOut − gone = after, exactly; docs/calculations.md,
 * section 9. Amounts in smallest units, none below 0.
 *
 * @param added amounts of deals that were not open anywhere before
 * @param movedIn of deals that were open elsewhere before: another month, another member, overdue
 * @param won of deals that were open here, by the amount of before
 */
public record Bridge(
    long before,
    long added,
    long movedIn,
    long raised,
    long lowered,
    long won,
    long lost,
    long movedOut,
    long gone,
    long after) {

  /**
   * Compares two snapshots deal by deal, by key.
   *
   * @throws IllegalArgumentException if they are of two sources or measures, or run backwards
   * @throws ArithmeticException if the amounts do not fit a long
   */
  public static Bridge between(DealSnapshot former, DealSnapshot latter, DealScope scope) {
    if (!former.source().equals(latter.source()) || !former.measure().equals(latter.measure())) {
      throw new IllegalArgumentException("both snapshots must be of one source and measure");
    }
    if (former.asOf().isAfter(latter.asOf())) {
      throw new IllegalArgumentException(
          "the former must not be later, was " + former.asOf() + ", " + latter.asOf());
    }
    int since = latter.month();
    Map<String, Deal> byKey = new HashMap<>(former.deals().size() * 2);
    former.deals().forEach(deal -> byKey.put(deal.key(), deal));
    Parts parts = new Parts();
    for (Deal now : latter.deals()) {
      Deal then = byKey.remove(now.key());
      Deal here = then != null && isHere(then, since, scope) ? then : null;
      boolean isHere = isHere(now, since, scope);
      if (here != null) {
        parts.before = Math.addExact(parts.before, here.amount());
      }
      if (isHere) {
        parts.after = Math.addExact(parts.after, now.amount());
      }
      if (here != null && isHere) {
        parts.stayed(here, now);
      } else if (here != null) {
        parts.left(here, now);
      } else if (isHere) {
        parts.came(then, now);
      }
    }
    for (Deal then : byKey.values()) {
      if (isHere(then, since, scope)) {
        parts.before = Math.addExact(parts.before, then.amount());
        parts.gone = Math.addExact(parts.gone, then.amount());
      }
    }
    return parts.toBridge();
  }

  private static boolean isHere(Deal deal, int since, DealScope scope) {
    return deal.isOpen() && deal.month() >= since && scope.contains(deal);
  }

  private static final class Parts {
    private long before;
    private long added;
    private long movedIn;
    private long raised;
    private long lowered;
    private long won;
    private long lost;
    private long movedOut;
    private long gone;
    private long after;

    void stayed(Deal then, Deal now) {
      long change = now.amount() - then.amount();
      if (change > 0) {
        raised = Math.addExact(raised, change);
      } else {
        lowered = Math.addExact(lowered, -change);
      }
    }

    void came(@Nullable Deal then, Deal now) {
      if (then != null && then.isOpen()) {
        movedIn = Math.addExact(movedIn, now.amount());
      } else {
        added = Math.addExact(added, now.amount());
      }
    }

    void left(Deal then, Deal now) {
      switch (now.state()) {
        case OPEN -> movedOut = Math.addExact(movedOut, then.amount());
        case WON -> won = Math.addExact(won, then.amount());
        case LOST -> lost = Math.addExact(lost, then.amount());
      }
    }

    Bridge toBridge() {
      return new Bridge(before, added, movedIn, raised, lowered, won, lost, movedOut, gone, after);
    }
  }
}
