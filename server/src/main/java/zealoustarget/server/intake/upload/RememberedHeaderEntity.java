package zealoustarget.server.intake.upload;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;

/** How files with a header are read. */
@Entity
@Table(name = "remembered_header")
class RememberedHeaderEntity {
  @Id
  @Column(name = "header_hash")
  String headerHash;

  String request;

  @Column(name = "file_name")
  String fileName;

  @Column(name = "remembered_at")
  Instant rememberedAt;

  protected RememberedHeaderEntity() {}

  RememberedHeaderEntity(String headerHash, String request, String fileName, Instant rememberedAt) {
    this.headerHash = headerHash;
    this.request = request;
    this.fileName = fileName;
    this.rememberedAt = rememberedAt;
  }
}
