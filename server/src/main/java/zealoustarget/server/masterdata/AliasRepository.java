package zealoustarget.server.masterdata;

import org.springframework.data.jpa.repository.JpaRepository;

/** Accepted names as records. */
interface AliasRepository extends JpaRepository<AliasEntity, AliasEntity.Key> {}
