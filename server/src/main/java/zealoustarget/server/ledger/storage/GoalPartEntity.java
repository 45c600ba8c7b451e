package zealoustarget.server.ledger.storage;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;

/** A {@link GoalPart} of a load. */
@Entity
@Table(name = "goal_part")
class GoalPartEntity extends PartEntity {
  protected GoalPartEntity() {}

  GoalPartEntity(long id, int loadId, int rowCount, byte[] content) {
    super(id, loadId, rowCount, content);
  }
}
