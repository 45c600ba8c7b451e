package zealoustarget.server.ledger;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;

/** A {@link GoalPart} of a load. */
@Entity
@Table(name = "goal_part")
class GoalPartEntity {
  @Id long id;

  @Column(name = "load_id")
  int loadId;

  @Column(name = "row_count")
  int rowCount;

  byte[] content;

  protected GoalPartEntity() {}

  GoalPartEntity(long id, int loadId, int rowCount, byte[] content) {
    this.id = id;
    this.loadId = loadId;
    this.rowCount = rowCount;
    this.content = content;
  }
}
