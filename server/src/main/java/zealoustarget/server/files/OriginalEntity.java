package zealoustarget.server.files;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;

/** A file as it came. */
@Entity
@Table(name = "original")
class OriginalEntity {
  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  Integer id;

  @Column(name = "content_hash")
  String contentHash;

  @Column(name = "byte_count")
  long byteCount;

  @Column(name = "is_whole")
  boolean isWhole;

  protected OriginalEntity() {}

  OriginalEntity(String contentHash) {
    this.contentHash = contentHash;
  }
}
