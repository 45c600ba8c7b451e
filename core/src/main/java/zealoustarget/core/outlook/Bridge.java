package zealoustarget.core.outlook;

import java.util.EnumMap;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * What became of the open deals of a span between two snapshots of one source: before + the steps
 * that add − the steps that take away = after, exactly; docs/calculations.md, section 9.
 *
 * @param before and {@code after}: amounts in smallest units
 * @param steps each of them, in smallest units, none below 0
 */
public record Bridge(long before, Map<Step, Long> steps, long after) {
  /** What a deal did, and whether that adds to what is open. */
  public enum Step {
    /** Not open anywhere before. */
    NEW(true),
    /** Open elsewhere before: in another month, of another member, overdue. */
    MOVED_IN(true),
    RAISED(true),
    LOWERED(false),
    WON(false),
    LOST(false),
    MOVED_OUT(false),
    /** In the later snapshot no more. */
    GONE(false);

    private final boolean isAdding;

    Step(boolean isAdding) {
      this.isAdding = isAdding;
    }

    public boolean isAdding() {
      return isAdding;
    }
  }

  /** Takes one deal in: what it did, by how much, and what it was and is; null where not there. */
  public interface Visitor {
    void see(Step step, long amount, @Nullable Deal then, @Nullable Deal now);
  }

  /** No deal at all. */
  public static final Bridge NONE = new Bridge(0, new EnumMap<>(Step.class), 0);

  /** What a step comes to, 0 where no deal took it. */
  public long of(Step step) {
    return steps.getOrDefault(step, 0L);
  }

  /** Both together, of two sources. */
  public Bridge plus(Bridge other) {
    Map<Step, Long> both = new EnumMap<>(Step.class);
    both.putAll(steps);
    other.steps.forEach((step, amount) -> both.merge(step, amount, Math::addExact));
    return new Bridge(Math.addExact(before, other.before), both, Math.addExact(after, other.after));
  }

  /**
   * Compares two snapshots deal by deal, by key.
   *
   * @throws IllegalArgumentException if they are of two sources, or run backwards
   * @throws ArithmeticException if the amounts do not fit a long
   */
  public static Bridge between(DealSnapshot former, DealSnapshot latter, DealScope scope) {
    Walk walk = new Walk(former, latter, scope, null);
    walk.run();
    return new Bridge(walk.before, walk.steps, walk.after);
  }

  /** Shows every deal of which a step is made, in the order of keys. */
  public static void each(
      DealSnapshot former, DealSnapshot latter, DealScope scope, Visitor visitor) {
    new Walk(former, latter, scope, visitor).run();
  }

  /** One way through two snapshots that are both in the order of keys. */
  private static final class Walk {
    private static final int NOT_THERE = -1;

    private final DealSnapshot former;
    private final DealSnapshot latter;
    private final DealScope scope;
    private final @Nullable Visitor visitor;
    private final int since;
    private final Map<Step, Long> steps = new EnumMap<>(Step.class);
    private long before;
    private long after;

    Walk(DealSnapshot former, DealSnapshot latter, DealScope scope, @Nullable Visitor visitor) {
      if (!former.source().equals(latter.source())) {
        throw new IllegalArgumentException("both snapshots must be of one source");
      }
      if (former.asOf().isAfter(latter.asOf())) {
        throw new IllegalArgumentException(
            "the former must not be later, was " + former.asOf() + ", " + latter.asOf());
      }
      this.former = former;
      this.latter = latter;
      this.scope = scope;
      this.visitor = visitor;
      this.since = latter.month();
    }

    void run() {
      int then = 0;
      int now = 0;
      while (then < former.size() || now < latter.size()) {
        int order =
            then == former.size()
                ? 1
                : now == latter.size()
                    ? -1
                    : DealKey.ORDER.compare(former.key(then), latter.key(now));
        look(order <= 0 ? then : NOT_THERE, order >= 0 ? now : NOT_THERE);
        then += order <= 0 ? 1 : 0;
        now += order >= 0 ? 1 : 0;
      }
    }

    private void look(int then, int now) {
      boolean wasHere = isHere(former, then);
      boolean isHere = isHere(latter, now);
      long amountThen = wasHere ? former.amount(former.measure(scope.measure()), then) : 0;
      long amountNow = isHere ? latter.amount(latter.measure(scope.measure()), now) : 0;
      before = Math.addExact(before, amountThen);
      after = Math.addExact(after, amountNow);
      if (wasHere && isHere) {
        long change = amountNow - amountThen;
        add(change > 0 ? Step.RAISED : Step.LOWERED, Math.abs(change), then, now);
      } else if (isHere) {
        boolean wasOpen = then != NOT_THERE && former.isOpen(then);
        add(wasOpen ? Step.MOVED_IN : Step.NEW, amountNow, then, now);
      } else if (wasHere) {
        add(left(now), amountThen, then, now);
      }
    }

    private boolean isHere(DealSnapshot snapshot, int at) {
      return at != NOT_THERE
          && snapshot.isOpen(at)
          && snapshot.month(at) >= since
          && scope.contains(snapshot, at);
    }

    private Step left(int now) {
      if (now == NOT_THERE) {
        return Step.GONE;
      }
      return switch (latter.state(now)) {
        case OPEN -> Step.MOVED_OUT;
        case WON -> Step.WON;
        case LOST -> Step.LOST;
      };
    }

    private void add(Step step, long amount, int then, int now) {
      steps.merge(step, amount, Math::addExact);
      if (visitor != null && (amount != 0 || step != Step.LOWERED)) {
        visitor.see(
            step,
            amount,
            then == NOT_THERE ? null : former.deal(then),
            now == NOT_THERE ? null : latter.deal(now));
      }
    }
  }
}
