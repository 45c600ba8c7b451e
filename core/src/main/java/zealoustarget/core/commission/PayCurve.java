package zealoustarget.core.commission;

import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.commission.Pay.Component;
import zealoustarget.core.commission.Pay.Event;
import zealoustarget.core.commission.Pay.Next;

/**
 * A plan laid over one quota: what each amount of sales pays. Bounds in money are quota × percent,
 * kept exact; docs/calculations.md, section 7, has the worked table.
 */
public final class PayCurve {
  private static final Ratio CENTS = Ratio.of(100);

  /** A corner of the curve: sales in smallest units, pay in cents. */
  public record Point(long sales, long pay) {}

  private final Plan plan;
  private final Ratio quota;
  private final @Nullable Ratio floor;
  private final @Nullable Ratio ceiling;
  private final List<Ratio> bounds;
  private final Ratio centsPerUnit;
  private final boolean isBonusOpen;

  /**
   * Lays a plan over a quota.
   *
   * @param quota to date, in the measure's smallest unit, above 0
   * @param ceilingOfSet what the ceiling's goal set gives; null where the plan names none or it
   *     gives nothing, which is no ceiling
   * @param isWindowEnd whether the window's last month is read
   * @throws IllegalArgumentException if the quota is not above 0
   */
  public PayCurve(Plan plan, Ratio quota, @Nullable Ratio ceilingOfSet, boolean isWindowEnd) {
    if (quota.signum() <= 0) {
      throw new IllegalArgumentException("a quota must be above 0");
    }
    this.plan = plan;
    this.quota = quota;
    this.floor = resolve(plan.floor(), quota, null);
    this.ceiling = resolve(plan.ceiling(), quota, ceilingOfSet);
    this.bounds = plan.steps().stream().map(step -> quota.times(step.from())).toList();
    this.centsPerUnit = CENTS.dividedBy(plan.measure().unitsPerOne());
    this.isBonusOpen = isWindowEnd || plan.bonusPaid() == Plan.BonusPaid.WHEN_REACHED;
  }

  private static @Nullable Ratio resolve(
      @Nullable Bound bound, Ratio quota, @Nullable Ratio ofSet) {
    if (bound instanceof Bound.Amount amount) {
      return Ratio.of(amount.units());
    }
    if (bound instanceof Bound.Share share) {
      return quota.times(share.ofQuota());
    }
    return bound == null ? null : ofSet;
  }

  public Ratio quota() {
    return quota;
  }

  /** In the measure's smallest unit, exact; null for none. */
  public @Nullable Ratio floor() {
    return floor;
  }

  /** In the measure's smallest unit, exact; null for none. */
  public @Nullable Ratio ceiling() {
    return ceiling;
  }

  /** What these sales pay, in smallest units of the measure. */
  public Pay at(long sales) {
    Ratio actual = Ratio.of(sales);
    Ratio credited = credited(actual);
    Ratio base = base(actual, credited);
    List<Component> components = components(actual, credited, base);
    long sum = sum(components);
    long earned = capped(sum);
    return new Pay(
        status(actual),
        credited,
        base,
        components,
        sum - earned,
        earned,
        next(sales, actual, earned));
  }

  /** Pay alone, in cents. */
  public long earnedAt(long sales) {
    Ratio actual = Ratio.of(sales);
    Ratio credited = credited(actual);
    return capped(sum(components(actual, credited, base(actual, credited))));
  }

  private static long sum(List<Component> components) {
    long sum = 0;
    for (Component component : components) {
      sum = Math.addExact(sum, component.amount());
    }
    return sum;
  }

  private long capped(long sum) {
    return plan.cap() == null ? sum : Math.min(sum, plan.cap());
  }

  private PayStatus status(Ratio actual) {
    if (isUnderFloor(actual)) {
      return PayStatus.BELOW_FLOOR;
    }
    if (isAtCeiling(actual)) {
      return PayStatus.AT_CEILING;
    }
    return actual.compareTo(quota) >= 0 ? PayStatus.ON_TARGET : PayStatus.EARNING;
  }

  private boolean isUnderFloor(Ratio actual) {
    return floor != null && actual.compareTo(floor) < 0;
  }

  private boolean isAtCeiling(Ratio actual) {
    return ceiling != null && actual.compareTo(ceiling) >= 0;
  }

  private Ratio credited(Ratio actual) {
    Ratio most = ceiling == null ? actual : actual.min(ceiling);
    return most.max(Ratio.ZERO);
  }

  private Ratio base(Ratio actual, Ratio credited) {
    if (isUnderFloor(actual)) {
      return Ratio.ZERO;
    }
    return credited.minus(paidFrom()).max(Ratio.ZERO);
  }

  /** The sales above which is paid. */
  private Ratio paidFrom() {
    return plan.paidFrom() == Plan.PaidFrom.ABOVE_FLOOR && floor != null ? floor : Ratio.ZERO;
  }

  private List<Component> components(Ratio actual, Ratio credited, Ratio base) {
    List<Component> components = new ArrayList<>();
    if (isUnderFloor(actual)) {
      return components;
    }
    if (plan.method() == Plan.Method.SLICED) {
      addSlices(credited, components);
    } else {
      addWhole(credited, base, components);
    }
    if (isBonusOpen && plan.bonus() > 0 && credited.compareTo(quota) >= 0) {
      components.add(new Component("bonus", null, null, null, null, plan.bonus()));
    }
    return components;
  }

  private void addSlices(Ratio credited, List<Component> components) {
    for (int at = 0; at < bounds.size(); at++) {
      Ratio low = bounds.get(at).max(paidFrom());
      Ratio high = at + 1 < bounds.size() ? credited.min(bounds.get(at + 1)) : credited;
      if (high.compareTo(low) > 0) {
        add(components, "slice " + (at + 1), at, high.minus(low));
      }
    }
  }

  private void addWhole(Ratio credited, Ratio base, List<Component> components) {
    for (int at = bounds.size() - 1; at >= 0; at--) {
      if (credited.compareTo(bounds.get(at)) >= 0) {
        add(components, "whole", at, base);
        return;
      }
    }
  }

  private void add(List<Component> components, String what, int at, Ratio base) {
    Step step = plan.steps().get(at);
    long amount =
        base.times(step.rate())
            .times(centsPerUnit)
            .rounded(0, RoundingMode.HALF_UP)
            .longValueExact();
    if (amount != 0) {
      Ratio until = at + 1 < plan.steps().size() ? plan.steps().get(at + 1).from() : null;
      components.add(new Component(what, step.from(), until, base, step.rate(), amount));
    }
  }

  private @Nullable Next next(long sales, Ratio actual, long earned) {
    if (floor != null && isUnderFloor(actual)) {
      return reaching(Event.FLOOR, floor, sales, earned);
    }
    if (isAtCeiling(actual)) {
      return null;
    }
    Event event = null;
    Ratio nearest = null;
    if (quota.compareTo(actual) > 0) {
      event = Event.TARGET;
      nearest = quota;
    }
    if (ceiling != null && (nearest == null || ceiling.compareTo(nearest) < 0)) {
      event = Event.CEILING;
      nearest = ceiling;
    }
    for (Ratio bound : bounds) {
      boolean isAhead = bound.signum() > 0 && bound.compareTo(actual) > 0;
      if (isAhead && (nearest == null || bound.compareTo(nearest) < 0)) {
        event = Event.STEP;
        nearest = bound;
      }
    }
    return event == null || nearest == null ? null : reaching(event, nearest, sales, earned);
  }

  private Next reaching(Event event, Ratio bound, long sales, long earned) {
    long there = wholeUnits(bound);
    return new Next(event, Math.subtractExact(there, sales), earnedAt(there) - earned);
  }

  private static long wholeUnits(Ratio bound) {
    return bound.rounded(0, RoundingMode.CEILING).longValueExact();
  }

  /**
   * The corners of the curve from 0 to {@code until} at least: before and at each bound, so that
   * jumps stand upright.
   */
  public List<Point> corners(long until) {
    TreeSet<Long> places = new TreeSet<>(List.of(0L, Math.max(until, 1)));
    List<Ratio> turns = new ArrayList<>(bounds);
    turns.add(quota);
    if (floor != null) {
      turns.add(floor);
    }
    if (ceiling != null) {
      turns.add(ceiling);
    }
    for (Ratio turn : turns) {
      long at = wholeUnits(turn);
      if (at > 0 && at <= until) {
        places.add(at - 1);
        places.add(at);
      }
    }
    return places.stream().map(place -> new Point(place, earnedAt(place))).toList();
  }
}
