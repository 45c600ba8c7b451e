package zealoustarget.server.approval;

import java.util.List;
import org.springframework.data.domain.Pageable;
import org.springframework.data.jpa.repository.JpaRepository;

/** Proposals as records. */
interface ProposalRepository extends JpaRepository<ProposalEntity, Integer> {
  boolean existsByState(ProposalState state);

  List<ProposalEntity> findByStateOrderByIdDesc(ProposalState state);

  List<ProposalEntity> findByStateNotOrderByIdDesc(ProposalState state, Pageable page);
}
