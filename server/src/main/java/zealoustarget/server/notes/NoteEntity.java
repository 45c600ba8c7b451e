package zealoustarget.server.notes;

import jakarta.persistence.Column;
import jakarta.persistence.Embeddable;
import jakarta.persistence.EmbeddedId;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import org.jspecify.annotations.Nullable;

/** Why one member's month came out as it did. */
@Entity
@Table(name = "note")
class NoteEntity {
  /** A member and a month numbered year × 12 + month − 1. */
  @Embeddable
  record Place(@Column(name = "member_id") int memberId, @Column(name = "note_month") int month) {}

  @EmbeddedId Place place;
  @Nullable String reason;
  String content = "";

  @Column(name = "written_at")
  Instant writtenAt;

  @Version int version;

  protected NoteEntity() {}

  NoteEntity(Place place) {
    this.place = place;
  }
}
