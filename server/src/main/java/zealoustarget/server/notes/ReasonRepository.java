package zealoustarget.server.notes;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

/** The list of reasons as records. */
interface ReasonRepository extends JpaRepository<ReasonEntity, String> {
  List<ReasonEntity> findAllByOrderByPlace();
}
