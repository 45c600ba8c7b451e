package zealoustarget.server.closing;

import jakarta.persistence.Column;
import jakarta.persistence.Embeddable;
import jakarta.persistence.EmbeddedId;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.io.Serializable;
import java.time.Instant;
import java.util.Set;
import java.util.TreeSet;

/** A line that was waived for a month. */
@Entity
@Table(name = "close_waiver")
class WaiverEntity {
  /** A month's number and a line's code. */
  @Embeddable
  record Place(@Column(name = "close_month") int month, String line) implements Serializable {}

  @EmbeddedId Place place;

  String reason;

  /** Keys of what was open then, one a line. */
  @Column(length = 1_000_000)
  String covered;

  @Column(name = "made_by")
  String by;

  @Column(name = "made_at")
  Instant at;

  protected WaiverEntity() {}

  WaiverEntity(Place place, String reason, Set<String> covered, String by, Instant at) {
    this.place = place;
    this.reason = reason;
    this.covered = String.join("\n", new TreeSet<>(covered));
    this.by = by;
    this.at = at;
  }

  Set<String> keys() {
    return Set.of(covered.split("\n"));
  }
}
