package zealoustarget.server.ledger.storage;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;

/** A {@link DealPart} of a load. */
@Entity
@Table(name = "deal_part")
class DealPartEntity extends PartEntity {
  protected DealPartEntity() {}

  DealPartEntity(long id, int loadId, int rowCount, byte[] content) {
    super(id, loadId, rowCount, content);
  }
}
