package zealoustarget.server.access.authorization;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpMethod;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.security.authorization.AuthorizationDecision;
import org.springframework.security.authorization.AuthorizationManager;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.AuthenticationException;
import org.springframework.security.web.AuthenticationEntryPoint;
import org.springframework.security.web.access.AccessDeniedHandler;
import org.springframework.security.web.access.intercept.RequestAuthorizationContext;
import org.springframework.security.web.csrf.CsrfException;
import org.springframework.stereotype.Component;
import zealoustarget.server.access.accounts.Account;
import zealoustarget.server.access.accounts.CurrentAccount;
import zealoustarget.server.platform.http.RequestArea;
import zealoustarget.server.platform.problems.Problem;
import zealoustarget.server.platform.problems.ProblemWriter;

/** Lets requests through by {@link RouteRules}, and says in words why not. */
@Component
public class GateKeeper
    implements AuthorizationManager<RequestAuthorizationContext>,
        AuthenticationEntryPoint,
        AccessDeniedHandler {

  private final ProblemWriter problems;

  GateKeeper(ProblemWriter problems) {
    this.problems = problems;
  }

  @Override
  public AuthorizationDecision authorize(
      Supplier<? extends Authentication> who, RequestAuthorizationContext context) {
    HttpServletRequest request = context.getRequest();
    return new AuthorizationDecision(
        switch (RequestArea.of(request)) {
          case PAGE, HEALTH -> true;
          case DESCRIPTION -> who.get().getPrincipal() instanceof Account;
          case OPERATION ->
              who.get().getPrincipal() instanceof Account account
                  && account.role().seesEverything();
          case API -> {
            RouteRules.Rule rule = rule(request);
            yield rule != null && (rule.isOpen() || allows(rule, who.get()));
          }
        });
  }

  private static RouteRules.@Nullable Rule rule(HttpServletRequest request) {
    return RouteRules.of(HttpMethod.valueOf(request.getMethod()), request.getRequestURI());
  }

  private static boolean allows(RouteRules.Rule rule, Authentication who) {
    return who.getPrincipal() instanceof Account account
        && rule.allows(account.role())
        && CurrentAccount.scope(who).covers(rule.scope())
        && (!rule.isAdministration() || isAdministrator(who))
        && (!account.mustChange() || rule.pattern().startsWith("/api/v1/session"));
  }

  private static boolean isAdministrator(Authentication who) {
    return who.getAuthorities().stream()
        .anyMatch(had -> CurrentAccount.ADMINISTRATOR.equals(had.getAuthority()));
  }

  @Override
  public void commence(
      HttpServletRequest request, HttpServletResponse response, AuthenticationException why)
      throws IOException {
    challenge(request, response);
    problems.write(response, Problem.SIGN_IN_NEEDED, AuthorizationWords.SIGN_IN);
  }

  /** Asks programs for a password; a browser would open a window of its own, so not there. */
  public static void challenge(HttpServletRequest request, HttpServletResponse response) {
    boolean isBrowser = request.getHeader("Sec-Fetch-Mode") != null;
    response.setHeader(
        HttpHeaders.WWW_AUTHENTICATE,
        isBrowser ? "Page realm=\"Zealous Target\"" : "Basic realm=\"Zealous Target\"");
  }

  @Override
  public void handle(
      HttpServletRequest request, HttpServletResponse response, AccessDeniedException why)
      throws IOException {
    if (why instanceof CsrfException) {
      problems.write(
          response, Problem.CROSS_SITE, AuthorizationWords.THIS_PAGE_IS_FROM_EARLIER_SESSION);
      return;
    }
    RouteRules.Rule rule = rule(request);
    if (RequestArea.of(request) == RequestArea.API && rule == null) {
      boolean isOther = RouteRules.isKnown(request.getRequestURI());
      problems.write(
          response,
          isOther ? Problem.METHOD_NOT_ALLOWED : Problem.NOT_FOUND,
          AuthorizationWords.SEE_DESCRIPTION_OF_ROUTES);
    } else if (CurrentAccount.isSignedIn() && CurrentAccount.account().mustChange()) {
      problems.write(
          response,
          Problem.PASSWORD_TO_CHANGE,
          AuthorizationWords.PASSWORD_WAS_GIVEN_BY_SOMEBODY_ELSE);
    } else {
      problems.write(response, Problem.NOT_ALLOWED, words(rule));
    }
  }

  private static String words(RouteRules.@Nullable Rule rule) {
    Account account = CurrentAccount.account();
    if (rule == null || !rule.allows(account.role())) {
      return AuthorizationWords.roleDoesNotInclude(account.role().word());
    }
    return rule.isAdministration()
        ? AuthorizationWords.TAKES_ADMINISTRATOR
        : AuthorizationWords.TOKEN_MAY_NOT;
  }
}
