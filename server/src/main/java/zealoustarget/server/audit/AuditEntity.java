package zealoustarget.server.audit;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import org.hibernate.annotations.Immutable;
import org.jspecify.annotations.Nullable;

/** One thing that was done; never changed. */
@Entity
@Immutable
@Table(name = "audit_entry")
class AuditEntity {
  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  Long id;

  @Column(name = "done_at")
  Instant at;

  @Column(name = "done_by")
  String by;

  @Enumerated(EnumType.STRING)
  AuditKind kind;

  String subject;

  @Column(name = "before_text", length = 1_000_000)
  @Nullable String before;

  @Column(name = "after_text", length = 1_000_000)
  @Nullable String after;

  /** The load that it is about, or null. */
  @Column(name = "load_id")
  @Nullable Integer loadId;

  /** Its number in the trail, from 1 and without gaps. */
  Long place;

  @Column(name = "previous_hash")
  String previousHash;

  String hash;

  protected AuditEntity() {}

  @SuppressWarnings("NullAway") // place and hash are given when it is linked, before it is stored
  AuditEntity(
      Instant at,
      String by,
      AuditKind kind,
      String subject,
      @Nullable String before,
      @Nullable String after,
      @Nullable Integer loadId) {
    this.loadId = loadId;
    this.at = at;
    this.by = by;
    this.kind = kind;
    this.subject = subject;
    this.before = before;
    this.after = after;
  }

  /** Links it to the entry before. */
  void link(long ownPlace, String previous) {
    place = ownPlace;
    previousHash = previous;
    hash = AuditLinks.hash(this);
  }
}
