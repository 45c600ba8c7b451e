package zealoustarget.server.approval;

import java.util.List;
import org.springframework.data.domain.Pageable;
import org.springframework.data.jpa.repository.JpaRepository;

/** Proposals as records. */
interface ProposalRepository extends JpaRepository<ProposalEntity, Integer> {
  List<ProposalEntity> findByStateOrderByIdDesc(ProposalState state);

  List<ProposalEntity> findByStateNotOrderByIdDesc(ProposalState state, Pageable page);
}
