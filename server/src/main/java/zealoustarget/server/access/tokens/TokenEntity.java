package zealoustarget.server.access.tokens;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;

/** A token for programs; of the token itself only a hash is kept. */
@Entity
@Table(name = "api_token")
class TokenEntity {
  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  Integer id;

  @Column(name = "account_id")
  int accountId;

  String name;
  String hash;

  @Enumerated(EnumType.STRING)
  TokenScope scope;

  @Column(name = "created_at")
  Instant createdAt;

  @Column(name = "revoked_at")
  Instant revokedAt;
}
