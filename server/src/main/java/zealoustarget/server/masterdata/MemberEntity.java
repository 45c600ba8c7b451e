package zealoustarget.server.masterdata;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import zealoustarget.core.member.Axis;

/** A key that a file named, with the number that rows hold. */
@Entity
@Table(name = "member")
class MemberEntity {
  @Id int id;

  @Enumerated(EnumType.STRING)
  Axis axis;

  @Column(name = "member_key")
  String memberKey;

  @Column(name = "folded_key")
  String foldedKey;

  protected MemberEntity() {}

  MemberEntity(int id, Axis axis, String memberKey, String foldedKey) {
    this.id = id;
    this.axis = axis;
    this.memberKey = memberKey;
    this.foldedKey = foldedKey;
  }
}
