package zealoustarget.server.intake.sheet;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;

/** The packed {@link StoredSheet} of a load. */
@Entity
@Table(name = "sheet")
class SheetEntity {
  @Id
  @Column(name = "load_id")
  int loadId;

  byte[] content;

  protected SheetEntity() {}

  SheetEntity(int loadId, byte[] content) {
    this.loadId = loadId;
    this.content = content;
  }
}
