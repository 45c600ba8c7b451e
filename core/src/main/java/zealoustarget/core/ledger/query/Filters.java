package zealoustarget.core.ledger.query;

import java.util.EnumMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;
import zealoustarget.core.ledger.columns.Members;
import zealoustarget.core.member.Axis;

/**
 * What a standing is narrowed to: on each axis named here, only these members.
 *
 * @param kept ids per axis; an axis that is absent is not narrowed
 */
public record Filters(Map<Axis, Set<Integer>> kept) {
  public static final Filters NONE = new Filters(Map.of());

  /** Keeps its own copy. */
  public Filters {
    kept = Map.copyOf(kept);
  }

  /** The same, on one more axis only one member. */
  public Filters and(Axis axis, int member) {
    return and(axis, Set.of(member));
  }

  /** The same, on one more axis only some members. */
  public Filters and(Axis axis, Set<Integer> members) {
    Map<Axis, Set<Integer>> more = new EnumMap<>(Axis.class);
    more.putAll(kept);
    Set<Integer> both = new HashSet<>(members);
    Set<Integer> before = kept.get(axis);
    if (before != null) {
      both.retainAll(before);
    }
    more.put(axis, both);
    return new Filters(more);
  }

  /** Whether every member of {@code axis} belongs to one member of {@code other}. */
  public static boolean isPlaced(Axis axis, Axis other) {
    return axis == other
        || (axis == Axis.REP && (other == Axis.REGION || other == Axis.MANAGER))
        || (axis == Axis.PRODUCT && other == Axis.LINE);
  }

  /** Whether a goal of a member of {@code axis} lies inside, seen in its month. */
  public boolean keepGoal(Axis axis, int member, int month, Members members) {
    return kept.entrySet().stream()
        .allMatch(
            filter ->
                filter
                    .getValue()
                    .contains(placeOnAxis(axis, member, month, filter.getKey(), members)));
  }

  /**
   * Where a goal's member stands on another axis: a rep in a region, a product in a line. A goal
   * that says nothing about that axis stands nowhere (−1), so that a part of the actuals is never
   * compared with the whole of a goal.
   */
  public static int placeOnAxis(Axis axis, int member, int month, Axis asked, Members members) {
    if (axis == asked) {
      return member;
    }
    return switch (asked) {
      case REGION -> axis == Axis.REP ? members.regionOf(member, month) : Members.NONE;
      case MANAGER -> axis == Axis.REP ? members.managerOf(member, month) : Members.NONE;
      case LINE -> axis == Axis.PRODUCT ? members.lineOf(member, month) : Members.NONE;
      case REP, PRODUCT, COMPANY -> Members.NONE;
    };
  }
}
