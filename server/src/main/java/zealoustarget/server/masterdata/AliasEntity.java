package zealoustarget.server.masterdata;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.IdClass;
import jakarta.persistence.Table;
import java.io.Serializable;
import java.time.Instant;
import zealoustarget.core.member.Axis;
import zealoustarget.core.member.KeyText;

/** Another name of a member. */
@Entity
@Table(name = "alias")
@IdClass(AliasEntity.Key.class)
class AliasEntity {
  /** Axis and name. */
  record Key(Axis axis, String foldedText) implements Serializable {}

  @Id
  @Enumerated(EnumType.STRING)
  Axis axis;

  @Id
  @Column(name = "folded_text")
  String foldedText;

  @Column(name = "member_id")
  int memberId;

  /** The name as it was written; null for one of an older version. */
  String written;

  @Column(name = "accepted_by")
  String acceptedBy;

  @Column(name = "accepted_at")
  Instant acceptedAt;

  protected AliasEntity() {}

  AliasEntity(Axis axis, String written, int memberId, String acceptedBy, Instant acceptedAt) {
    this.axis = axis;
    this.foldedText = KeyText.fold(written);
    this.memberId = memberId;
    this.written = KeyText.normal(written);
    this.acceptedBy = acceptedBy;
    this.acceptedAt = acceptedAt;
  }
}
