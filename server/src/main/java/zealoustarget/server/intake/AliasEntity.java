package zealoustarget.server.intake;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.IdClass;
import jakarta.persistence.Table;
import java.io.Serializable;
import zealoustarget.core.member.Axis;

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

  protected AliasEntity() {}

  AliasEntity(Axis axis, String foldedText, int memberId) {
    this.axis = axis;
    this.foldedText = foldedText;
    this.memberId = memberId;
  }
}
