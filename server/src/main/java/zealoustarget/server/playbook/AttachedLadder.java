package zealoustarget.server.playbook;

import zealoustarget.core.ladder.Ladder;
import zealoustarget.core.member.Axis;

/**
 * A ladder and what it is attached to.
 *
 * @param goalSet name, or null for every goal set and basis
 * @param axis or null for every axis
 */
public record AttachedLadder(String measure, String goalSet, Axis axis, Ladder ladder) {
  /** Whether it judges that measure, set and axis. */
  boolean judges(String askedMeasure, String askedGoalSet, Axis askedAxis) {
    return measure.equals(askedMeasure)
        && (goalSet == null || goalSet.equalsIgnoreCase(askedGoalSet))
        && (axis == null || axis == askedAxis);
  }

  /** How closely it is attached: a goal set counts more than an axis. */
  int closeness() {
    return (goalSet == null ? 0 : 2) + (axis == null ? 0 : 1);
  }

  boolean isAttachedAs(AttachedLadder other) {
    return measure.equals(other.measure)
        && (goalSet == null ? other.goalSet == null : goalSet.equalsIgnoreCase(other.goalSet))
        && axis == other.axis;
  }

  /** What it is attached to, in words: "revenue against quota by rep". */
  String words() {
    return measure
        + (goalSet == null ? "" : " against " + goalSet)
        + (axis == null ? "" : " by " + axis.word());
  }
}
