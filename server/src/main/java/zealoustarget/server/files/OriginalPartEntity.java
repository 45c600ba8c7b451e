package zealoustarget.server.files;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;

/** A part of an original's gzip stream. */
@Entity
@Table(name = "original_part")
class OriginalPartEntity {
  @Id long id;

  @Column(name = "original_id")
  int originalId;

  byte[] content;

  protected OriginalPartEntity() {}

  OriginalPartEntity(long id, int originalId, byte[] content) {
    this.id = id;
    this.originalId = originalId;
    this.content = content;
  }
}
