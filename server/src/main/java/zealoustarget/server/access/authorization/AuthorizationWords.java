package zealoustarget.server.access.authorization;

/** Everything that a person reads of {@code access.authorization}. */
final class AuthorizationWords {
  static final String ADDRESS_OR_HEADER_HAS_WRONG_SIGNS =
      "The address or a header of the request has signs that are not taken there.";
  static final String PARAMETER_IN_ADDRESS = "a parameter or an empty part in the address";
  static final String SIGN_IN =
      "Sign in with an account: on the page, or with its name and password (Basic) or a token.";
  static final String THIS_PAGE_IS_FROM_EARLIER_SESSION =
      "This page is from an earlier session. Reload it, then try again.";
  static final String SEE_DESCRIPTION_OF_ROUTES =
      "See the description of the routes at /v3/api-docs.";
  static final String PASSWORD_WAS_GIVEN_BY_SOMEBODY_ELSE =
      "The password was given by somebody else. Change it to your own first.";
  static final String TAKES_ADMINISTRATOR = "Only an administrator may do that.";
  static final String TOKEN_MAY_NOT =
      "This token may not do that. Use one of a wider scope, or the account's password.";

  private AuthorizationWords() {}

  static String roleDoesNotInclude(String role) {
    return "The role " + role + " does not include this.";
  }
}
