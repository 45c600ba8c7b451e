package zealoustarget.server.access.accounts;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import org.jspecify.annotations.Nullable;

/** What a person set for the own account. */
@Entity
@Table(name = "account_preference")
class PreferenceEntity {
  @Id
  @Column(name = "account_id")
  Integer accountId;

  @Nullable String mail;

  @Column(name = "keys_on")
  boolean keysOn;

  String keys;
}
