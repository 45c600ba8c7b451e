package zealoustarget.server.ledger.storage;

import jakarta.persistence.Column;
import jakarta.persistence.Id;
import jakarta.persistence.MappedSuperclass;

/** Some thousand rows of a load in one piece; numbered from {@link RowStore#firstId} on. */
@MappedSuperclass
abstract class PartEntity {
  @Id long id;

  @Column(name = "load_id")
  int loadId;

  @Column(name = "row_count")
  int rowCount;

  byte[] content;

  protected PartEntity() {}

  PartEntity(long id, int loadId, int rowCount, byte[] content) {
    this.id = id;
    this.loadId = loadId;
    this.rowCount = rowCount;
    this.content = content;
  }
}
