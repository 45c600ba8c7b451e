package zealoustarget.core.outlook;

import java.math.BigInteger;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.ledger.columns.Members;
import zealoustarget.core.member.Axis;

/**
 * Sums of open deals, in smallest units; docs/calculations.md, section 9.
 *
 * @param open of deals expected from the month of the snapshot on
 * @param weighted each of them times its likelihood, exact
 * @param overdue of open deals that were expected before that month; in none of the others
 * @param deals how many are in {@code open}
 * @param overdueDeals how many are in {@code overdue}
 */
public record OpenDeals(long open, Ratio weighted, long overdue, int deals, int overdueDeals) {
  public static final OpenDeals NONE = new OpenDeals(0, Ratio.ZERO, 0, 0, 0);

  /** Where a row stands: a member, and the group that it is in; NONE for the group without. */
  public record Place(int group, int member) {}

  /**
   * Sums of all deals in scope, and of each place that has one; deals that are of no member of an
   * axis have the member {@link Members#NONE}.
   */
  public record ByPlace(OpenDeals total, Map<Place, OpenDeals> places) {
    /** The sums of a member without groups. */
    public OpenDeals of(int member) {
      return of(Members.NONE, member);
    }

    /** The sums of a member in a group. */
    public OpenDeals of(int group, int member) {
      return places.getOrDefault(new Place(group, member), OpenDeals.NONE);
    }
  }

  /** Sums of all deals in scope. */
  public static OpenDeals total(Collection<DealSnapshot> inForce, DealScope scope) {
    return of(inForce, scope, Axis.COMPANY, null).total();
  }

  /**
   * Adds the open deals of the snapshots in force up, one of each source.
   *
   * @param group axis of the groups in which members stand, null without
   * @throws ArithmeticException if the amounts do not fit a long
   */
  public static ByPlace of(
      Collection<DealSnapshot> inForce, DealScope scope, Axis axis, @Nullable Axis group) {
    Sums total = new Sums();
    Map<Long, Sums> places = new HashMap<>();
    for (DealSnapshot snapshot : inForce) {
      int since = snapshot.month();
      int measure = snapshot.measure(scope.measure());
      for (int at = 0; at < snapshot.size(); at++) {
        if (snapshot.isOpen(at) && scope.contains(snapshot, at)) {
          total.add(snapshot, measure, at, since);
          int member = scope.placeOf(snapshot, at, axis);
          int in = group == null ? Members.NONE : scope.placeOf(snapshot, at, group);
          places
              .computeIfAbsent((long) in << 32 | member & 0xffffffffL, place -> new Sums())
              .add(snapshot, measure, at, since);
        }
      }
    }
    Map<Place, OpenDeals> sums = new HashMap<>();
    places.forEach(
        (place, sum) -> sums.put(new Place((int) (place >> 32), place.intValue()), sum.toDeals()));
    return new ByPlace(total.toDeals(), sums);
  }

  /**
   * The largest open deal of a member.
   *
   * @param amount in smallest units
   */
  public record Largest(String deal, long amount) {}

  /** The largest deal in {@code open} of each member that has one, by id. */
  public static Map<Integer, Largest> largest(
      Collection<DealSnapshot> inForce, DealScope scope, Axis axis) {
    Map<Integer, Largest> largest = new HashMap<>();
    for (DealSnapshot snapshot : inForce) {
      int measure = snapshot.measure(scope.measure());
      for (int at = 0; at < snapshot.size(); at++) {
        if (snapshot.isStillOpen(at) && scope.contains(snapshot, at)) {
          largest.merge(
              scope.placeOf(snapshot, at, axis),
              new Largest(snapshot.key(at), snapshot.amount(measure, at)),
              (one, other) -> other.amount() > one.amount() ? other : one);
        }
      }
    }
    return largest;
  }

  /** Adds sums of other deals. */
  public static OpenDeals sum(List<OpenDeals> some) {
    OpenDeals all = NONE;
    for (OpenDeals one : some) {
      all =
          new OpenDeals(
              Math.addExact(all.open, one.open),
              all.weighted.plus(one.weighted),
              Math.addExact(all.overdue, one.overdue),
              all.deals + one.deals,
              all.overdueDeals + one.overdueDeals);
    }
    return all;
  }

  /** How likely the open deals are now: weighted ÷ open; null without open amounts. */
  public @Nullable Ratio likelihood() {
    return open == 0 ? null : weighted.dividedBy(Ratio.of(open));
  }

  /** Sums being made; weighted ones in units of a certain deal. */
  private static final class Sums {
    private long open;
    private long weighted;
    private BigInteger carried = BigInteger.ZERO;
    private long overdue;
    private int deals;
    private int overdueDeals;

    void add(DealSnapshot snapshot, int measure, int at, int since) {
      long amount = snapshot.amount(measure, at);
      if (snapshot.month(at) < since) {
        overdue = Math.addExact(overdue, amount);
        overdueDeals++;
        return;
      }
      open = Math.addExact(open, amount);
      deals++;
      int likelihood = snapshot.likelihood(at);
      long high = Math.multiplyHigh(amount, likelihood);
      long low = amount * likelihood;
      if (high != 0 || low < 0 || weighted + low < 0) {
        carried = carried.add(BigInteger.valueOf(amount).multiply(BigInteger.valueOf(likelihood)));
      } else {
        weighted += low;
      }
    }

    OpenDeals toDeals() {
      BigInteger all = carried.add(BigInteger.valueOf(weighted));
      return new OpenDeals(
          open, Ratio.of(all, BigInteger.valueOf(Deal.CERTAIN)), overdue, deals, overdueDeals);
    }
  }
}
