package zealoustarget.server.intake;

import jakarta.persistence.CascadeType;
import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.FetchType;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.JoinColumn;
import jakarta.persistence.ManyToOne;
import jakarta.persistence.OneToMany;
import jakarta.persistence.OrderBy;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import zealoustarget.core.intake.LoadKind;
import zealoustarget.core.ledger.PostMode;
import zealoustarget.server.ledger.PostedLoad;

/** One file's journey. */
@Entity
@Table(name = "load")
class LoadEntity {
  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  Integer id;

  @Enumerated(EnumType.STRING)
  LoadKind kind;

  @Enumerated(EnumType.STRING)
  LoadState state;

  @Column(name = "file_name")
  String fileName;

  @Column(name = "content_hash")
  String contentHash;

  @ManyToOne(fetch = FetchType.EAGER)
  @JoinColumn(name = "goal_set_id")
  GoalSetEntity goalSet;

  @Column(name = "line_count")
  int lineCount;

  int ready;
  int held;

  @Column(name = "left_out")
  int leftOut;

  @Column(name = "finding_count")
  int findingCount;

  @Column(name = "first_month")
  Integer firstMonth;

  @Column(name = "last_month")
  Integer lastMonth;

  @Column(name = "staged_at")
  Instant stagedAt;

  @Column(name = "posted_at")
  Instant postedAt;

  @Column(name = "reversed_at")
  Instant reversedAt;

  @Column(name = "post_order")
  Integer postOrder;

  String because;

  /** How its actuals lie over earlier ones; null until it is posted. */
  @Enumerated(EnumType.STRING)
  PostMode mode;

  /** The {@link LoadRequest} as JSON. */
  String request;

  /** The load whose held lines this one brings, or null. */
  @Column(name = "remainder_of")
  Integer remainderOf;

  /** What {@link SourceName} tells it by; null until its header is known. */
  String source;

  /** Dialect of the file, in words. */
  @Column(name = "read_as")
  String readAs;

  /** Why a file that was received could not be staged yet. */
  @Column(name = "problem_code")
  String problemCode;

  String problem;

  /** SHA-256 over its rows as they were posted; null before, and where it was never taken. */
  @Column(name = "row_digest")
  String rowDigest;

  @Version int version;

  @OneToMany(
      mappedBy = "load",
      cascade = CascadeType.ALL,
      fetch = FetchType.EAGER,
      orphanRemoval = true)
  @OrderBy("place")
  List<LoadSumEntity> sums = new ArrayList<>();

  /** What the ledger must know; only of a load that is or is about to be posted. */
  PostedLoad toPosted(int order, PostMode postMode) {
    return new PostedLoad(
        id,
        order,
        kind,
        postMode,
        goalSet == null ? null : goalSet.name,
        goalSet == null ? null : goalSet.axis,
        sums.stream().map(sum -> sum.measure).toList(),
        source,
        rowDigest);
  }

  /** How it lies over earlier loads; those posted before there was a choice were added. */
  PostMode mode() {
    return mode == null ? PostMode.ADD : mode;
  }

  boolean isControlTotalMet() {
    return sums.stream().allMatch(LoadSumEntity::isMet);
  }
}
