package zealoustarget.server.access.signin;

/** Everything that a person reads of {@code access.signin}. */
final class SigninWords {
  static final String TOKEN_IS_NOT_KNOWN_HERE = "The token is not known here, or was revoked.";
  static final String SEND_NAME_AND_PASSWORD =
      "Send the name and password of an account (Basic), or a token (Bearer).";
  static final String NEW_PASSWORD_IS_SAME_AS_CURRENT =
      "The new password is the same as the current one. Choose another.";
  static final String NAME_OR_PASSWORD_IS_WRONG =
      "Name or password is wrong. Check both; capitals count in the password.";
  static final String TOO_MANY_SIGN_IN =
      "Too many people are signing in at this moment. Try again in a while.";
  static final String SIGNED_IN = "signed in";
  static final String SIGNED_IN_BY_PROGRAM = "signed in by a program";
  static final String UNKNOWN_NAME = "an unknown name";

  private SigninWords() {}

  static String tooManyTriesFailed(long seconds) {
    return "Too many tries failed. Wait " + seconds + " seconds, then try again.";
  }
}
