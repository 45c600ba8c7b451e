package zealoustarget.server.views;

import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

/** Saved views as records. */
interface SavedViewRepository extends JpaRepository<SavedViewEntity, Integer> {
  List<SavedViewEntity> findByOwnerIdOrderByFoldedName(int ownerId);

  Optional<SavedViewEntity> findByOwnerIdAndFoldedName(int ownerId, String foldedName);
}
