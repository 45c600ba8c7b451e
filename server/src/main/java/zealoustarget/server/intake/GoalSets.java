package zealoustarget.server.intake;

import jakarta.persistence.EntityManager;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import zealoustarget.core.member.Axis;
import zealoustarget.core.member.KeyText;

/** The goal sets that files have named. */
@Component
public class GoalSets {
  /** A goal set's name and whose goals it holds. */
  public record GoalSet(String name, Axis axis) {}

  private final EntityManager entities;

  GoalSets(EntityManager entities) {
    this.entities = entities;
  }

  /** All sets, in the order of their making. */
  @Transactional(readOnly = true)
  public List<GoalSet> all() {
    return entities
        .createQuery("from GoalSetEntity order by id", GoalSetEntity.class)
        .getResultStream()
        .map(set -> new GoalSet(set.name, set.axis))
        .toList();
  }

  /** Finds a set by its name; case and blanks make no difference. */
  @Transactional(readOnly = true)
  public Optional<GoalSet> find(String name) {
    String folded = KeyText.fold(name);
    return all().stream().filter(set -> KeyText.fold(set.name()).equals(folded)).findFirst();
  }
}
