package zealoustarget.core.ledger;

import java.math.BigInteger;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.ledger.columns.GoalBook;
import zealoustarget.core.member.Axis;

/**
 * What one member's figure of a month becomes when a load is posted or reversed.
 *
 * @param member id on the axis, −1 for lines that name none
 * @param before in smallest units; null where nothing was there
 * @param after in smallest units; null where nothing is left
 */
public record Change(
    int member, int month, String measure, @Nullable Long before, @Nullable Long after) {
  private record Place(int member, int month, String measure) {}

  /** How far the figure moves, in smallest units; nothing there counts as 0. */
  public BigInteger moved() {
    return BigInteger.valueOf(orZero(after)).subtract(BigInteger.valueOf(orZero(before))).abs();
  }

  /**
   * Every actual that differs between two states of the data, by measure, the largest movement
   * first.
   *
   * @param measures codes that may differ
   */
  public static List<Change> ofActuals(
      Ledger before, Ledger after, Axis axis, List<String> measures) {
    Map<Place, Long> old = new HashMap<>();
    Map<Place, Long> now = new HashMap<>();
    for (String measure : measures) {
      before.sums(axis, measure).forEach((at, sum) -> old.put(place(at, measure), sum));
      after.sums(axis, measure).forEach((at, sum) -> now.put(place(at, measure), sum));
    }
    return differing(old, now);
  }

  /** Every goal of a set that differs between two states of the data. */
  public static List<Change> ofGoals(Ledger before, Ledger after, String goalSet) {
    return differing(goals(before, goalSet), goals(after, goalSet));
  }

  private static List<Change> differing(Map<Place, Long> old, Map<Place, Long> now) {
    Set<Place> places = new HashSet<>(old.keySet());
    places.addAll(now.keySet());
    List<Change> changes = new ArrayList<>();
    for (Place place : places) {
      if (!Objects.equals(old.get(place), now.get(place))) {
        changes.add(
            new Change(place.member, place.month, place.measure, old.get(place), now.get(place)));
      }
    }
    changes.sort(
        Comparator.comparing(Change::measure)
            .thenComparing(Change::moved, Comparator.reverseOrder())
            .thenComparing(Change::month)
            .thenComparing(Change::member));
    return changes;
  }

  private static Map<Place, Long> goals(Ledger ledger, String goalSet) {
    Map<Place, Long> goals = new HashMap<>();
    GoalBook book = ledger.goalBooks().get(goalSet);
    if (book != null) {
      book.cells()
          .forEach(
              cell ->
                  goals.put(new Place(cell.member(), cell.month(), cell.measure()), cell.amount()));
    }
    return goals;
  }

  private static Place place(Ledger.MemberMonth at, String measure) {
    return new Place(at.member(), at.month(), measure);
  }

  private static long orZero(@Nullable Long amount) {
    return amount == null ? 0 : amount;
  }
}
