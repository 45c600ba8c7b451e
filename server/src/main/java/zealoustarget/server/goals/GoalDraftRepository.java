package zealoustarget.server.goals;

import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

/** Drafts as records. */
interface GoalDraftRepository extends JpaRepository<GoalDraftEntity, Integer> {
  @Modifying
  @Query("update GoalDraftEntity draft set draft.goalSet = :to where draft.goalSet = :from")
  void rename(String from, String to);

  Optional<GoalDraftEntity> findByOwnerIdAndGoalSetAndMeasureAndSlot(
      int ownerId, String goalSet, String measure, int slot);

  List<GoalDraftEntity> findByOwnerIdAndGoalSetAndMeasureOrderBySlot(
      int ownerId, String goalSet, String measure);
}
