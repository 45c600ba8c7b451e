package zealoustarget.server.closing;

import jakarta.persistence.Column;
import jakarta.persistence.Embeddable;
import jakarta.persistence.EmbeddedId;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.io.Serializable;
import java.time.Instant;

/** A late source that was told by mail. */
@Entity
@Table(name = "late_notice")
class LateNoticeEntity {
  /** A month's number and a source. */
  @Embeddable
  record Place(@Column(name = "close_month") int month, String source) implements Serializable {}

  @EmbeddedId Place place;

  @Column(name = "told_at")
  Instant at;

  protected LateNoticeEntity() {}

  LateNoticeEntity(Place place, Instant at) {
    this.place = place;
    this.at = at;
  }
}
