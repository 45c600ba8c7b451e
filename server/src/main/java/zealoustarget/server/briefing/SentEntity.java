package zealoustarget.server.briefing;

import jakarta.persistence.Column;
import jakarta.persistence.Embeddable;
import jakarta.persistence.EmbeddedId;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.io.Serializable;
import java.time.Instant;
import org.jspecify.annotations.Nullable;

/** Who was sent a briefing; each once. */
@Entity(name = "SentBriefingEntity")
@Table(name = "briefing_sent")
class SentEntity {
  /** A briefing and an account. */
  @Embeddable
  record Place(@Column(name = "briefing_id") int briefing, @Column(name = "account_id") int account)
      implements Serializable {}

  @EmbeddedId Place place;

  String address;

  @Column(name = "as_pdf")
  boolean asPdf;

  /** Null while it waits to be sent. */
  @Column(name = "begun_at")
  @Nullable Instant begunAt;

  /** Null where it was begun and not finished. */
  @Column(name = "sent_at")
  @Nullable Instant sentAt;

  protected SentEntity() {}

  SentEntity(Place place, String address, boolean asPdf) {
    this.place = place;
    this.address = address;
    this.asPdf = asPdf;
  }
}
