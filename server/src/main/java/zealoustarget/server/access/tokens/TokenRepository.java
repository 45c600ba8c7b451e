package zealoustarget.server.access.tokens;

import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

/** Tokens as records. */
interface TokenRepository extends JpaRepository<TokenEntity, Integer> {
  List<TokenEntity> findByAccountIdAndRevokedAtIsNullOrderById(int accountId);

  Optional<TokenEntity> findByHashAndRevokedAtIsNull(String hash);
}
