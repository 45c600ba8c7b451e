package zealoustarget.server.access.accounts;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import org.jspecify.annotations.Nullable;

/** An account. */
@Entity
@Table(name = "account")
class AccountEntity {
  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  Integer id;

  String name;

  @Column(name = "folded_name")
  String foldedName;

  @Enumerated(EnumType.STRING)
  Role role;

  @Column(name = "member_key")
  @Nullable String member;

  @Column(name = "password_hash")
  String passwordHash;

  boolean administers;
  boolean disabled;

  @Column(name = "must_change")
  boolean mustChange;

  int stamp;

  @Version int version;

  @Column(name = "created_at")
  Instant createdAt;

  Account account() {
    return new Account(id, name, role, member, administers, disabled, mustChange, stamp, version);
  }
}
