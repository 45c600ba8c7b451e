package zealoustarget.server.access.tokens;

/** Everything that a person reads of {@code access.tokens}. */
final class TokensWords {
  static final String SCOPE_IS_READ_LOAD_OR_SETTLE = "The scope is read, load or settle.";

  private TokensWords() {}

  static String givePurpose(int longestName) {
    return "Give its purpose in 1 to " + longestName + " characters.";
  }

  static String tooManyTokens(int most) {
    return "There are " + most + " tokens already. Revoke one that is not used.";
  }

  static String tokenMade(String stripped) {
    return "token \"" + stripped + "\" made";
  }

  static String noTokenOfYours(int id) {
    return "There is no token " + id + " of yours.";
  }

  static String tokenRevoked(String name) {
    return "token \"" + name + "\" revoked";
  }
}
