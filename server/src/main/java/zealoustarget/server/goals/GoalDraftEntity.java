package zealoustarget.server.goals;

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
import zealoustarget.core.member.Axis;

/** One person's changes to the goals of a set that are not applied yet. */
@Entity
@Table(name = "goal_draft")
class GoalDraftEntity {
  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  Integer id;

  @Column(name = "owner_id")
  int ownerId;

  @Column(name = "goal_set")
  String goalSet;

  @Enumerated(EnumType.STRING)
  Axis axis;

  String measure;

  /** Which of a person's drafts of these goals, from 1. */
  int slot;

  /** A {@link GoalDrafts.Content} as JSON. */
  @Lob String content;

  @Column(name = "changed_at")
  Instant changedAt;
}
