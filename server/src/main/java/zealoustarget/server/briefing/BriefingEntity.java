package zealoustarget.server.briefing;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** A briefing as a record. */
@Entity
@Table(name = "briefing")
class BriefingEntity {
  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  Integer id;

  String title;

  @Column(name = "first_month")
  int firstMonth;

  @Column(name = "last_month")
  int lastMonth;

  /** Word of the axis of the member that it is about; null for the whole company. */
  @Column(name = "scope_axis")
  @Nullable String scopeAxis;

  @Column(name = "scope_key")
  @Nullable String scopeKey;

  /** {@code draft}, {@code handed}, {@code declined} or {@code signed}. */
  String state;

  /** Its blocks as JSON. */
  @Column(length = 4_000_000)
  String content;

  @Version int version;

  @Column(name = "made_by")
  String madeBy;

  @Column(name = "made_at")
  Instant madeAt;

  @Column(name = "changed_by")
  String changedBy;

  @Column(name = "changed_at")
  Instant changedAt;

  @Nullable String signer;

  /** Names of accounts that were asked to review it, one a line; null for none. */
  @Column(length = 2000)
  @Nullable String reviewers;

  /** Why it was declined. */
  @Nullable String because;

  @Column(name = "signed_by")
  @Nullable String signedBy;

  @Column(name = "signed_at")
  @Nullable Instant signedAt;

  /** The whole as it was signed, as JSON. */
  @Column(length = 8_000_000)
  @Nullable String signed;

  @Nullable String checksum;

  List<String> reviewerNames() {
    return reviewers == null || reviewers.isBlank() ? List.of() : List.of(reviewers.split("\n"));
  }

  boolean isSigned() {
    return state.equals("signed");
  }
}
