package zealoustarget.server.notes;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.time.LocalDate;
import org.jspecify.annotations.Nullable;

/** What will be done about a member's variance of a month. */
@Entity
@Table(name = "follow_up")
class FollowUpEntity {
  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  Integer id;

  @Column(name = "member_id")
  int memberId;

  @Column(name = "note_month")
  int month;

  String content;
  String who;

  @Column(name = "due_day")
  LocalDate due;

  @Column(name = "made_by")
  String by;

  @Column(name = "done_at")
  @Nullable Instant doneAt;

  @Column(name = "done_by")
  @Nullable String doneBy;
}
