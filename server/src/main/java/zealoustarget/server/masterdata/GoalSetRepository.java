package zealoustarget.server.masterdata;

import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

/** Goal sets as records. */
interface GoalSetRepository extends JpaRepository<GoalSetEntity, Integer> {
  List<GoalSetEntity> findAllByOrderById();

  Optional<GoalSetEntity> findByFoldedName(String foldedName);
}
