package zealoustarget.server.ledger.storage;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;

/** An {@link ActualPart} of a load. */
@Entity
@Table(name = "actual_part")
class ActualPartEntity extends PartEntity {
  protected ActualPartEntity() {}

  ActualPartEntity(long id, int loadId, int rowCount, byte[] content) {
    super(id, loadId, rowCount, content);
  }
}
