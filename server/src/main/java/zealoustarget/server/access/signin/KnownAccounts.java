package zealoustarget.server.access.signin;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.io.IOException;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import org.slf4j.MDC;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.core.context.SecurityContextImpl;
import org.springframework.web.filter.OncePerRequestFilter;
import zealoustarget.server.access.accounts.Account;
import zealoustarget.server.access.accounts.AccountStore;

/** Ends sessions whose account has another password, role or access since, or was closed. */
public class KnownAccounts extends OncePerRequestFilter {
  private static final String SIGNED_IN_AT = "signed-in-at";

  private final AccountStore accounts;
  private final Duration limit;
  private final Clock clock;

  /**
   * Looks at every request of somebody who is signed in.
   *
   * @param limit after which a session ends, whatever is done in it
   */
  public KnownAccounts(AccountStore accounts, Duration limit, Clock clock) {
    this.accounts = accounts;
    this.limit = limit;
    this.clock = clock;
  }

  /** Notes when a session was signed in. */
  static void begin(HttpSession session, Instant now) {
    session.setAttribute(SIGNED_IN_AT, now);
  }

  private boolean isTooOld(HttpSession session) {
    return session != null
        && session.getAttribute(SIGNED_IN_AT) instanceof Instant since
        && since.plus(limit).isBefore(clock.instant());
  }

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    Authentication had = SecurityContextHolder.getContext().getAuthentication();
    if (had != null && had.getPrincipal() instanceof Account then && then.id() > 0) {
      Account now = accounts.find(then.id()).orElse(null);
      HttpSession session = request.getSession(false);
      if (now == null || now.isDisabled() || now.stamp() != then.stamp() || isTooOld(session)) {
        SecurityContextHolder.setContext(new SecurityContextImpl());
        if (session != null) {
          session.invalidate();
        }
      } else {
        MDC.put("account", now.name());
      }
    }
    try {
      chain.doFilter(request, response);
    } finally {
      MDC.remove("account");
    }
  }
}
