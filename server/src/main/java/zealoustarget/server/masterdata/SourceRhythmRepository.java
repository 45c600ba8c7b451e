package zealoustarget.server.masterdata;

import org.springframework.data.jpa.repository.JpaRepository;

/** Sources that do not come every month, as records. */
interface SourceRhythmRepository extends JpaRepository<SourceRhythmEntity, String> {}
