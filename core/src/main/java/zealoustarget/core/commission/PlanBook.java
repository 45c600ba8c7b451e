package zealoustarget.core.commission;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.member.KeyText;

/** The plans in their versions, and which rep has which in which months. Immutable. */
public final class PlanBook {
  /**
   * A plan as it holds from a month on.
   *
   * @param since first month number; {@link Integer#MIN_VALUE} for every month
   */
  public record Version(Plan plan, int since) {}

  /**
   * A rep's time under a plan.
   *
   * @param rep the rep's key
   * @param plan name
   * @param from first month number; {@link Integer#MIN_VALUE} for every month before
   * @param until last month number; null where it is open
   * @param ramp shares of the quota in the first months
   */
  public record Assignment(
      String rep, String plan, int from, @Nullable Integer until, List<Ratio> ramp) {
    /** Refuses what cannot be with an IllegalArgumentException. */
    public Assignment {
      ramp = List.copyOf(ramp);
      if (until != null && until < from) {
        throw new IllegalArgumentException("ends before it begins");
      }
      if (ramp.stream().anyMatch(share -> share.signum() <= 0)) {
        throw new IllegalArgumentException("shares of a ramp must be above 0");
      }
      if (!ramp.isEmpty() && from == Integer.MIN_VALUE) {
        throw new IllegalArgumentException("a ramp needs the month in which it begins");
      }
    }

    boolean covers(int month) {
      return month >= from && (until == null || month <= until);
    }

    boolean meets(Assignment other) {
      return (until == null || other.from <= until) && (other.until == null || from <= other.until);
    }
  }

  public static final PlanBook EMPTY = new PlanBook(List.of(), List.of());

  private final List<Version> versions;
  private final List<Assignment> assignments;
  private final Map<String, List<Version>> byName = new HashMap<>();
  private final Map<String, List<Assignment>> byRep = new HashMap<>();

  /**
   * Puts the plans together.
   *
   * @param versions in any order
   * @param assignments in any order
   * @throws IllegalArgumentException if a rep would be in two plans in one month, or in a plan that
   *     is not there
   */
  public PlanBook(List<Version> versions, List<Assignment> assignments) {
    this.versions = List.copyOf(versions);
    this.assignments = List.copyOf(assignments);
    for (Version version : versions) {
      byName.computeIfAbsent(folded(version.plan().name()), name -> new ArrayList<>()).add(version);
    }
    byName.values().forEach(list -> list.sort(Comparator.comparingInt(Version::since)));
    for (Assignment assignment : assignments) {
      if (!byName.containsKey(folded(assignment.plan()))) {
        throw new IllegalArgumentException(
            assignment.rep()
                + " is assigned to \""
                + assignment.plan()
                + "\", which is not a plan");
      }
      List<Assignment> others =
          byRep.computeIfAbsent(folded(assignment.rep()), rep -> new ArrayList<>());
      others.stream()
          .filter(assignment::meets)
          .findFirst()
          .ifPresent(
              other -> {
                throw new IllegalArgumentException(twice(assignment, other));
              });
      others.add(assignment);
    }
  }

  private static String twice(Assignment one, Assignment other) {
    int month = Math.max(one.from(), other.from());
    return one.rep()
        + " would be in \""
        + other.plan()
        + "\" and \""
        + one.plan()
        + "\""
        + (month == Integer.MIN_VALUE ? "" : " in " + Months.of(month));
  }

  private static String folded(String name) {
    return KeyText.fold(name);
  }

  public List<Version> versions() {
    return versions;
  }

  public List<Assignment> assignments() {
    return assignments;
  }

  /** What holds for a rep in a month; null without a plan. */
  public @Nullable Terms terms(String rep, int month) {
    for (Assignment assignment : byRep.getOrDefault(folded(rep), List.of())) {
      if (assignment.covers(month)) {
        return findPlan(assignment.plan(), month)
            .map(plan -> new Terms(plan, assignment.ramp(), assignment.from()))
            .orElse(null);
      }
    }
    return null;
  }

  /** The version of a plan that holds in a month. */
  public Optional<Plan> findPlan(String name, int month) {
    Plan found = null;
    for (Version version : byName.getOrDefault(folded(name), List.of())) {
      if (version.since() <= month) {
        found = version.plan();
      }
    }
    return Optional.ofNullable(found);
  }
}
