package zealoustarget.server.access.tokens;

import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;

/** How much of an account's rights a way of signing in carries. */
public enum TokenScope {
  /** Everything: a password. */
  ALL,
  /** Reading, bringing files in, and deciding about what is in them: a token. */
  SETTLE,
  /** Reading, and bringing files in as they are: a token. */
  LOAD,
  /** Reading only: a token. */
  READ;

  String word() {
    return name().toLowerCase(Locale.ROOT);
  }

  public String authority() {
    return "SCOPE_" + name();
  }

  public boolean covers(TokenScope needed) {
    return compareTo(needed) <= 0;
  }

  /** The scope of a token. */
  static Optional<TokenScope> findForToken(String word) {
    return Stream.of(SETTLE, LOAD, READ)
        .filter(scope -> word != null && scope.word().equals(word.strip().toLowerCase(Locale.ROOT)))
        .findFirst();
  }
}
