package zealoustarget.server.masterdata;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import zealoustarget.core.Refusal;
import zealoustarget.core.member.Axis;
import zealoustarget.core.member.KeyText;
import zealoustarget.server.platform.problems.UnknownValue;

/** The goal sets that files have named. */
@Component
public class GoalSets {
  /** A goal set's name, whose goals it holds, and whether it is no longer offered. */
  public record GoalSet(String name, Axis axis, boolean isRetired) {}

  public static final int LONGEST_NAME = 120;

  private final GoalSetRepository sets;

  GoalSets(GoalSetRepository sets) {
    this.sets = sets;
  }

  /** All sets, in the order of their making. */
  @Transactional(readOnly = true)
  public List<GoalSet> all() {
    return sets.findAllByOrderById().stream().map(GoalSets::of).toList();
  }

  /** Finds a set by its name; case and blanks make no difference. */
  @Transactional(readOnly = true)
  public Optional<GoalSet> find(String name) {
    return entity(name).map(GoalSets::of);
  }

  private static GoalSet of(GoalSetEntity set) {
    return new GoalSet(set.name, set.axis, set.isRetired);
  }

  /** Gives a set that is there another name, which no set has. */
  public void rename(String from, String to) {
    GoalSetEntity set = entity(from).orElseThrow();
    set.name = to;
    set.foldedName = KeyText.fold(to);
    sets.save(set);
  }

  /** Takes a set that is there out of what is offered, or back. */
  public void retire(String name, boolean isRetired) {
    GoalSetEntity set = entity(name).orElseThrow();
    set.isRetired = isRetired;
    sets.save(set);
  }

  /**
   * The goal set of that name, made where it is new.
   *
   * @throws Refusal goal-set-axis if it has goals of another axis
   */
  @Transactional
  public GoalSetEntity obtain(String name, Axis axis) {
    Optional<GoalSetEntity> found = entity(name);
    if (found.isEmpty()) {
      return sets.save(new GoalSetEntity(name.strip(), axis));
    }
    GoalSetEntity set = found.get();
    if (set.axis != axis) {
      throw Refusal.of(
              "goal-set-axis", MasterdataWords.holdsGoals(set.name, set.axis.word(), axis.word()))
          .with("axis", set.axis.word());
    }
    return set;
  }

  private Optional<GoalSetEntity> entity(String name) {
    return sets.findByFoldedName(KeyText.fold(name));
  }

  /** A goal set's name without blanks around it; value-missing where it is empty or too long. */
  public static String name(String text) {
    if (text == null || text.isBlank() || text.strip().length() > LONGEST_NAME) {
      throw Refusal.of("value-missing", MasterdataWords.GOAL_SET_IS_MISSING)
          .with("name", "goalSet");
    }
    return text.strip();
  }

  /** Whose goals a file holds; value-missing or value-unknown. */
  public static Axis axis(String word) {
    if (word == null || word.isBlank()) {
      throw Refusal.of("value-missing", MasterdataWords.AXIS_IS_MISSING).with("name", "axis");
    }
    return Axis.findByWord(word)
        .orElseThrow(() -> UnknownValue.of("axis", word, Stream.of(Axis.values()).map(Axis::word)));
  }
}
