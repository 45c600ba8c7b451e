package zealoustarget.server.notes;

import java.time.LocalDate;
import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

/** Follow-ups as records. */
interface FollowUpRepository extends JpaRepository<FollowUpEntity, Integer> {
  List<FollowUpEntity> findByMonthOrderById(int month);

  List<FollowUpEntity> findByMonthLessThanEqualOrderByDueAscIdAsc(int month);

  List<FollowUpEntity> findByDueLessThanEqualAndDoneAtIsNullOrderByDueAscIdAsc(LocalDate day);
}
