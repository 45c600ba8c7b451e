package zealoustarget.server.intake.load;

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
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.intake.LoadKind;
import zealoustarget.core.ledger.columns.PostMode;
import zealoustarget.server.ledger.state.PostedLoad;
import zealoustarget.server.masterdata.GoalSetEntity;

/** One file's journey. */
@Entity
@Table(name = "load")
public class LoadEntity {
  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  public Integer id;

  @Enumerated(EnumType.STRING)
  public LoadKind kind;

  @Enumerated(EnumType.STRING)
  public LoadState state;

  @Column(name = "file_name")
  public String fileName;

  @Column(name = "content_hash")
  public String contentHash;

  @ManyToOne(fetch = FetchType.EAGER)
  @JoinColumn(name = "goal_set_id")
  public @Nullable GoalSetEntity goalSet;

  @Column(name = "line_count")
  public int lineCount;

  public int ready;
  public int held;

  @Column(name = "left_out")
  public int leftOut;

  @Column(name = "finding_count")
  public int findingCount;

  @Column(name = "first_month")
  public @Nullable Integer firstMonth;

  @Column(name = "last_month")
  public @Nullable Integer lastMonth;

  @Column(name = "staged_at")
  public Instant stagedAt;

  @Column(name = "posted_at")
  public Instant postedAt;

  @Column(name = "reversed_at")
  public Instant reversedAt;

  @Column(name = "post_order")
  public Integer postOrder;

  public @Nullable String because;

  /** How its actuals lie over earlier ones; null until it is posted. */
  @Enumerated(EnumType.STRING)
  public PostMode mode;

  /** The {@link LoadRequest} as JSON. */
  public String request;

  /** The load whose held lines this one brings, or null. */
  @Column(name = "remainder_of")
  public @Nullable Integer remainderOf;

  /** What {@link SourceName} tells it by; null until its header is known. */
  public @Nullable String source;

  /** The day as of which its source knew the deals of a snapshot; null for other kinds. */
  @Column(name = "as_of")
  public @Nullable LocalDate asOf;

  /** Dialect of the file, in words. */
  @Column(name = "read_as")
  public String readAs;

  /** Why a file that was received could not be staged yet. */
  @Column(name = "problem_code")
  public @Nullable String problemCode;

  public @Nullable String problem;

  /** SHA-256 over its rows as they were posted; null before, and where it was never taken. */
  @Column(name = "row_digest")
  public @Nullable String rowDigest;

  /** Who entered its goals on the goal sheet; null for a file. */
  @Column(name = "entered_by")
  public @Nullable String enteredBy;

  @Version int version;

  @OneToMany(
      mappedBy = "load",
      cascade = CascadeType.ALL,
      fetch = FetchType.EAGER,
      orphanRemoval = true)
  @OrderBy("place")
  public List<LoadSumEntity> sums = new ArrayList<>();

  /** What the ledger must know; only of a load that is or is about to be posted. */
  public PostedLoad toPosted(int order, PostMode postMode) {
    return new PostedLoad(
        id,
        order,
        kind,
        postMode,
        goalSet == null ? null : goalSet.name,
        goalSet == null ? null : goalSet.axis,
        sums.stream().map(sum -> sum.measure).toList(),
        source,
        asOf,
        remainderOf,
        rowDigest);
  }

  /** How it lies over earlier loads; those posted before there was a choice were added. */
  public PostMode mode() {
    return mode == null ? PostMode.ADD : mode;
  }

  public boolean isControlTotalMet() {
    return sums.stream().allMatch(LoadSumEntity::isMet);
  }
}
