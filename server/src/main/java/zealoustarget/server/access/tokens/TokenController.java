package zealoustarget.server.access.tokens;

import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import zealoustarget.core.Refusal;
import zealoustarget.server.access.accounts.CurrentAccount;

/** The own tokens for programs. */
@RestController
@RequestMapping("/api/v1/tokens")
class TokenController {
  private final TokenStore tokens;

  TokenController(TokenStore tokens) {
    this.tokens = tokens;
  }

  /**
   * A token to make.
   *
   * @param scope {@code read}; {@code load} to bring files in as well; {@code settle} to decide
   *     about what is in them, too
   */
  record TokenBody(String name, String scope) {}

  /** The own tokens that are not revoked. */
  @GetMapping
  List<TokenStore.Token> all() {
    return tokens.of(CurrentAccount.account().id());
  }

  /** Makes a token; its text is in this answer only. 400 {@code token-invalid}. */
  @PostMapping
  @ResponseStatus(HttpStatus.CREATED)
  TokenStore.Fresh add(@RequestBody TokenBody body) {
    TokenScope scope =
        TokenScope.findForToken(body.scope())
            .orElseThrow(
                () ->
                    Refusal.of("token-invalid", TokensWords.SCOPE_IS_READ_LOAD_OR_SETTLE)
                        .with("name", "scope"));
    return tokens.add(CurrentAccount.account().id(), body.name(), scope);
  }

  /** Revokes a token at once. 404 {@code token-unknown}. */
  @DeleteMapping("/{id}")
  List<TokenStore.Token> revoke(@PathVariable int id) {
    tokens.revoke(CurrentAccount.account().id(), id);
    return tokens.of(CurrentAccount.account().id());
  }
}
