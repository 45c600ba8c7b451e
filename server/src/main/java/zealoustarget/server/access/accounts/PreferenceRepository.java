package zealoustarget.server.access.accounts;

import org.springframework.data.jpa.repository.JpaRepository;

/** Preferences as records, by account. */
interface PreferenceRepository extends JpaRepository<PreferenceEntity, Integer> {}
