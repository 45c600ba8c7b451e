package zealoustarget.server.ledger.sealing;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;

/** A month that was sealed, with all that was frozen; written once, but for being unsealed. */
@Entity
@Table(name = "seal")
class SealEntity {
  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  Integer id;

  @Column(name = "seal_month", updatable = false)
  int month;

  @Column(name = "sealed_at", updatable = false)
  Instant sealedAt;

  @Column(name = "sealed_by", updatable = false)
  String sealedBy;

  /** Posted loads and a digest of their rows, as {@link SealedLoad#text} writes them. */
  @Column(name = "posted_loads", updatable = false, length = 1_000_000)
  String loads;

  @Column(updatable = false, length = 500_000_000)
  byte[] rules;

  @Column(updatable = false, length = 500_000_000)
  byte[] statements;

  @Column(updatable = false, length = 500_000_000)
  byte[] figures;

  @Column(updatable = false)
  String checksum;

  /** Version of how the parts are written. */
  @Column(updatable = false)
  int form;

  @Column(name = "previous_hash", updatable = false)
  String previousHash;

  @Column(updatable = false)
  String hash;

  @Column(name = "unsealed_at")
  Instant unsealedAt;

  @Column(name = "unsealed_by")
  String unsealedBy;

  String reason;

  Seal toSeal() {
    return new Seal(
        id,
        zealoustarget.core.calendar.Months.of(month),
        sealedAt,
        sealedBy,
        SealedLoad.readAll(loads),
        rules,
        checksum,
        form,
        hash,
        unsealedAt,
        unsealedBy,
        reason);
  }
}
