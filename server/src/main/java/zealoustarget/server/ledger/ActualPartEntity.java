package zealoustarget.server.ledger;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;

/** An {@link ActualPart} of a load. */
@Entity
@Table(name = "actual_part")
class ActualPartEntity {
  @Id long id;

  @Column(name = "load_id")
  int loadId;

  @Column(name = "row_count")
  int rowCount;

  byte[] content;

  protected ActualPartEntity() {}

  ActualPartEntity(long id, int loadId, int rowCount, byte[] content) {
    this.id = id;
    this.loadId = loadId;
    this.rowCount = rowCount;
    this.content = content;
  }
}
