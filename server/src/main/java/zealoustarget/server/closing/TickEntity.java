package zealoustarget.server.closing;

import jakarta.persistence.Column;
import jakarta.persistence.Embeddable;
import jakarta.persistence.EmbeddedId;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.io.Serializable;
import java.time.Instant;

/** An own line that somebody marked as done for a month. */
@Entity
@Table(name = "close_tick")
class TickEntity {
  /** A month's number and a line's number. */
  @Embeddable
  record Place(@Column(name = "close_month") int month, @Column(name = "line_id") int line)
      implements Serializable {}

  @EmbeddedId Place place;

  @Column(name = "made_by")
  String by;

  @Column(name = "made_at")
  Instant at;

  protected TickEntity() {}

  TickEntity(Place place, String by, Instant at) {
    this.place = place;
    this.by = by;
    this.at = at;
  }
}
