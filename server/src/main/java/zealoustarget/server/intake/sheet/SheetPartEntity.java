package zealoustarget.server.intake.sheet;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;

/** A packed {@link StoredSheet.Part} of a load. */
@Entity
@Table(name = "sheet_part")
class SheetPartEntity {
  @Id long id;

  @Column(name = "load_id")
  int loadId;

  byte[] content;

  protected SheetPartEntity() {}

  SheetPartEntity(long id, int loadId, byte[] content) {
    this.id = id;
    this.loadId = loadId;
    this.content = content;
  }
}
