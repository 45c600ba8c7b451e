package zealoustarget.server.access.tokens;

import java.security.SecureRandom;
import java.time.Clock;
import java.util.Base64;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import zealoustarget.core.Refusal;
import zealoustarget.server.access.accounts.Account;
import zealoustarget.server.access.accounts.AccountStore;
import zealoustarget.server.audit.Audit;
import zealoustarget.server.audit.AuditKind;
import zealoustarget.server.platform.Sha256;

/** Keeps tokens for programs. */
@Component
public class TokenStore {
  private static final int LONGEST_NAME = 80;
  private static final int MOST = 50;

  /** A token as it is listed; its text is gone. */
  record Token(int id, String name, String scope, String madeAt) {}

  /** A new token, the one time that its text is seen. */
  record Fresh(Token token, String text) {}

  /** What a token opens. */
  public record Opened(Account account, TokenScope scope) {}

  private final TokenRepository tokens;
  private final AccountStore accounts;
  private final Audit audit;
  private final Clock clock;
  private final SecureRandom random = new SecureRandom();

  TokenStore(TokenRepository tokens, AccountStore accounts, Audit audit, Clock clock) {
    this.tokens = tokens;
    this.accounts = accounts;
    this.audit = audit;
    this.clock = clock;
  }

  /** An account's tokens that are not revoked. */
  @Transactional(readOnly = true)
  public List<Token> of(int accountId) {
    return tokens.findByAccountIdAndRevokedAtIsNullOrderById(accountId).stream()
        .map(TokenStore::token)
        .toList();
  }

  /**
   * Makes a token.
   *
   * @throws Refusal token-invalid
   */
  @Transactional
  public Fresh add(int accountId, String name, TokenScope scope) {
    String stripped = name == null ? "" : name.strip();
    if (stripped.isEmpty() || stripped.length() > LONGEST_NAME) {
      throw Refusal.of("token-invalid", TokensWords.givePurpose(LONGEST_NAME)).with("name", "name");
    }
    if (of(accountId).size() >= MOST) {
      throw Refusal.of("token-invalid", TokensWords.tooManyTokens(MOST));
    }
    byte[] secret = new byte[32];
    random.nextBytes(secret);
    String text = "zt_" + Base64.getUrlEncoder().withoutPadding().encodeToString(secret);
    TokenEntity entity = new TokenEntity();
    entity.accountId = accountId;
    entity.name = stripped;
    entity.hash = hash(text);
    entity.scope = scope;
    entity.createdAt = clock.instant();
    tokens.save(entity);
    audit.add(AuditKind.ACCOUNT, TokensWords.tokenMade(stripped), null, scope.word());
    return new Fresh(token(entity), text);
  }

  /**
   * Ends a token at once.
   *
   * @throws Refusal token-unknown if it is not one of the account's
   */
  @Transactional
  public void revoke(int accountId, int id) {
    TokenEntity entity = tokens.findById(id).orElse(null);
    if (entity == null || entity.accountId != accountId || entity.revokedAt != null) {
      throw Refusal.of("token-unknown", TokensWords.noTokenOfYours(id));
    }
    entity.revokedAt = clock.instant();
    audit.add(AuditKind.ACCOUNT, TokensWords.tokenRevoked(entity.name), entity.scope.word(), null);
  }

  /** The account that a token opens, and how far. */
  @Transactional(readOnly = true)
  public Optional<Opened> open(String text) {
    return tokens
        .findByHashAndRevokedAtIsNull(hash(text))
        .flatMap(
            found ->
                accounts
                    .find(found.accountId)
                    .filter(account -> !account.isDisabled())
                    .map(account -> new Opened(account, found.scope)));
  }

  private static Token token(TokenEntity entity) {
    return new Token(entity.id, entity.name, entity.scope.word(), entity.createdAt.toString());
  }

  /** The secret is random and long, so a plain hash keeps it. */
  private static String hash(String text) {
    return Sha256.of(text);
  }
}
