package zealoustarget.server.outlook;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

/** Overrides as records. */
interface DealOverrideRepository extends JpaRepository<DealOverrideEntity, Integer> {
  List<DealOverrideEntity> findAllByOrderById();

  List<DealOverrideEntity> findBySourceAndDeal(String source, String deal);
}
