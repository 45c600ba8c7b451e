package zealoustarget.server.rules;

import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.commission.CreditShares;
import zealoustarget.core.commission.PlanBook;
import zealoustarget.core.commission.PlanBook.Assignment;
import zealoustarget.core.commission.PlanBook.Version;
import zealoustarget.core.member.KeyText;
import zealoustarget.server.rules.reading.PlanReader;

/** Plans, who has them, and whose credit is shared. Immutable. */
public record Commission(PlanBook plans, List<SharedCredit> shared) {
  private static final int MOST_NAMED = 8;

  public static final Commission NONE = new Commission(PlanBook.EMPTY, List.of());

  public Commission {
    shared = List.copyOf(shared);
  }

  /**
   * Sales and quota of one rep that are credited to several.
   *
   * @param rep key
   * @param from first month; null for every month before
   * @param until last month; null where it is open
   * @param shares by the reps' keys
   */
  public record SharedCredit(
      String rep,
      @Nullable YearMonth from,
      @Nullable YearMonth until,
      CreditShares<String> shares) {
    public boolean meets(SharedCredit other) {
      return KeyText.isSame(rep, other.rep)
          && (until == null || other.from == null || !other.from.isAfter(until))
          && (other.until == null || from == null || !from.isAfter(other.until));
    }
  }

  /** With a version of a plan added, or in place of the one with the same name and month. */
  public Commission withVersion(Version version) {
    List<Version> versions = versionsWithout(version.plan().name(), version.since());
    versions.add(version);
    return withVersions(versions);
  }

  /**
   * Without a version of a plan.
   *
   * @throws IllegalArgumentException if it is not there, or reps are assigned to a plan that would
   *     have no version left
   */
  public Commission without(PlanReader.Removed gone) {
    List<Version> kept = versionsWithout(gone.name(), gone.since());
    if (kept.size() == plans.versions().size()) {
      throw new IllegalArgumentException(RulesWords.hasNoVersionThatBegins(gone.name()));
    }
    boolean isThere =
        kept.stream().anyMatch(version -> KeyText.isSame(version.plan().name(), gone.name()));
    List<String> reps =
        plans.assignments().stream()
            .filter(one -> KeyText.isSame(one.plan(), gone.name()))
            .map(Assignment::rep)
            .distinct()
            .toList();
    if (!isThere && !reps.isEmpty()) {
      throw new IllegalArgumentException(
          RulesWords.planIsStillAssigned(
              gone.name(),
              String.join(", ", reps.subList(0, Math.min(reps.size(), MOST_NAMED))),
              reps.size(),
              MOST_NAMED,
              (reps.size() - MOST_NAMED)));
    }
    return withVersions(kept);
  }

  private List<Version> versionsWithout(String name, int since) {
    List<Version> versions = new ArrayList<>(plans.versions());
    versions.removeIf(known -> known.since() == since && KeyText.isSame(known.plan().name(), name));
    return versions;
  }

  public Commission withVersions(List<Version> all) {
    return new Commission(new PlanBook(all, plans.assignments()), shared);
  }

  /** With a plan's assignments replaced. */
  public Commission withAssignments(String plan, List<Assignment> ofPlan) {
    List<Assignment> all = new ArrayList<>(plans.assignments());
    all.removeIf(known -> KeyText.isSame(known.plan(), plan));
    all.addAll(ofPlan);
    return withAssignments(all);
  }

  public Commission withAssignments(List<Assignment> all) {
    return new Commission(new PlanBook(plans.versions(), all), shared);
  }

  public Commission withShared(List<SharedCredit> all) {
    return new Commission(plans, all);
  }
}
