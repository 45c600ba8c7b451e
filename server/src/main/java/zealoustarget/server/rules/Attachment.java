package zealoustarget.server.rules;

import org.jspecify.annotations.Nullable;
import zealoustarget.core.member.Axis;

/**
 * What a rule is attached to.
 *
 * @param goalSet name, or null for every goal set and basis
 * @param axis or null for every axis
 */
public record Attachment(String measure, @Nullable String goalSet, @Nullable Axis axis) {
  /** Whether it covers that measure, set and axis. */
  boolean covers(Attachment asked) {
    return measure.equals(asked.measure)
        && (goalSet == null || goalSet.equalsIgnoreCase(asked.goalSet))
        && (axis == null || axis == asked.axis);
  }

  /** How closely it is attached: a goal set counts more than an axis. */
  int closeness() {
    return (goalSet == null ? 0 : 2) + (axis == null ? 0 : 1);
  }

  public boolean isSame(Attachment other) {
    return measure.equals(other.measure)
        && (goalSet == null ? other.goalSet == null : goalSet.equalsIgnoreCase(other.goalSet))
        && axis == other.axis;
  }

  /** In words: "revenue against quota by rep". */
  String words() {
    return RulesWords.againstBy(measure, goalSet, axis);
  }
}
