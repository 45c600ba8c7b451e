package zealoustarget.server.notes;

import java.util.List;
import java.util.Set;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

/** The notes as records. */
interface NoteRepository extends JpaRepository<NoteEntity, NoteEntity.Place> {
  @Query("select distinct reason from NoteEntity where reason is not null")
  Set<String> findUsedReasons();

  @Query("from NoteEntity where place.month between :first and :last order by place.month")
  List<NoteEntity> findInMonths(int first, int last);
}
