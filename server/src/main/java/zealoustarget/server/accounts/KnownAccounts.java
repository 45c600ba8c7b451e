package zealoustarget.server.accounts;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.io.IOException;
import org.slf4j.MDC;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.core.context.SecurityContextImpl;
import org.springframework.web.filter.OncePerRequestFilter;

/** Ends sessions whose account has another password, role or access since, or was closed. */
class KnownAccounts extends OncePerRequestFilter {
  private final AccountStore accounts;

  KnownAccounts(AccountStore accounts) {
    this.accounts = accounts;
  }

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    Authentication had = SecurityContextHolder.getContext().getAuthentication();
    if (had != null && had.getPrincipal() instanceof Account then && then.id() > 0) {
      Account now = accounts.find(then.id()).orElse(null);
      if (now == null || now.isDisabled() || now.stamp() != then.stamp()) {
        SecurityContextHolder.setContext(new SecurityContextImpl());
        HttpSession session = request.getSession(false);
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
