package zealoustarget.server.earnings.delivery;

import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

/** Statements that went or go, as records. */
interface SentRepository extends JpaRepository<SentEntity, Integer> {
  List<SentEntity> findByMonthOrderById(int month);

  Optional<SentEntity> findByRepAndMonthAndVersion(String rep, int month, String version);
}
