package zealoustarget.server.goals;

import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

/** Drafts as records. */
interface GoalDraftRepository extends JpaRepository<GoalDraftEntity, Integer> {
  Optional<GoalDraftEntity> findByOwnerIdAndGoalSetAndMeasure(
      int ownerId, String goalSet, String measure);
}
