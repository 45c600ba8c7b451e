package zealoustarget.server.approval;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Lob;
import jakarta.persistence.Table;
import java.time.Instant;
import org.jspecify.annotations.Nullable;

/** A change that waits for a second person, or waited. */
@Entity
@Table(name = "proposal")
class ProposalEntity {
  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  Integer id;

  @Enumerated(EnumType.STRING)
  ProposalKind kind;

  String subject;

  @Column(name = "maker_id")
  int makerId;

  String maker;

  @Column(name = "made_at")
  Instant madeAt;

  /** As the feature of its kind wrote it, JSON. */
  @Lob String content;

  @Enumerated(EnumType.STRING)
  ProposalState state = ProposalState.WAITING;

  @Column(name = "decided_by")
  @Nullable String decidedBy;

  @Column(name = "decided_at")
  @Nullable Instant decidedAt;

  @Nullable String because;

  @Column(name = "load_id")
  @Nullable Integer loadId;
}
