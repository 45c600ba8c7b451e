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

  @Version int version;

  @OneToMany(mappedBy = "load", cascade = CascadeType.ALL, fetch = FetchType.EAGER)
  @OrderBy("place")
  List<LoadSumEntity> sums = new ArrayList<>();

  /** What the ledger must know; only of a load that is or is about to be posted. */
  PostedLoad toPosted(int order) {
    return new PostedLoad(
        id,
        order,
        kind,
        goalSet == null ? null : goalSet.name,
        goalSet == null ? null : goalSet.axis,
        sums.stream().map(sum -> sum.measure).toList());
  }

  boolean isControlTotalMet() {
    return sums.stream().allMatch(LoadSumEntity::isMet);
  }
}
