package zealoustarget.server.access.accounts;

import java.util.List;
import java.util.Objects;
import java.util.stream.Stream;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.GrantedAuthority;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.core.context.SecurityContextImpl;
import zealoustarget.server.access.tokens.TokenScope;
import zealoustarget.server.platform.state.Work;

/** On whose behalf the current thread works. */
public final class CurrentAccount {
  /** Authority of an administrator. */
  public static final String ADMINISTRATOR = "ADMINISTRATOR";

  private CurrentAccount() {}

  /**
   * The account.
   *
   * @throws IllegalStateException if the thread works for nobody: then nothing may be shown
   */
  public static Account account() {
    Authentication authentication = SecurityContextHolder.getContext().getAuthentication();
    if (authentication != null && authentication.getPrincipal() instanceof Account account) {
      return account;
    }
    throw new IllegalStateException("nobody is signed in here");
  }

  /** Whether anybody is signed in. */
  public static boolean isSignedIn() {
    Authentication authentication = SecurityContextHolder.getContext().getAuthentication();
    return authentication != null && authentication.getPrincipal() instanceof Account;
  }

  /** Works as the application itself, under a name that the trail shows. */
  public static void asSystem(String name, Runnable work) {
    getAsSystem(
        name,
        () -> {
          work.run();
          return true; // nobody looks at it
        });
  }

  /** The same for work that gives a value or fails. */
  public static <T, E extends Exception> T getAsSystem(String name, Work<T, E> work) throws E {
    return getAs(Account.system(name), TokenScope.ALL, work);
  }

  /** Reads what somebody else may see, such as what is sent to them. */
  public static <T, E extends Exception> T getAsReader(Account reader, Work<T, E> work) throws E {
    return getAs(reader, TokenScope.READ, work);
  }

  private static <T, E extends Exception> T getAs(
      Account account, TokenScope scope, Work<T, E> work) throws E {
    SecurityContext before = SecurityContextHolder.getContext();
    SecurityContextHolder.setContext(new SecurityContextImpl(authenticated(account, scope)));
    try {
      return work.run();
    } finally {
      SecurityContextHolder.setContext(before);
    }
  }

  /** An account that has signed in, with its role and what its token may do as authorities. */
  public static UsernamePasswordAuthenticationToken authenticated(
      Account account, TokenScope scope) {
    List<GrantedAuthority> authorities =
        Stream.of(
                "ROLE_" + account.role().name(),
                scope.authority(),
                account.isAdministrator() && scope == TokenScope.ALL ? ADMINISTRATOR : null)
            .filter(Objects::nonNull)
            .<GrantedAuthority>map(SimpleGrantedAuthority::new)
            .toList();
    return UsernamePasswordAuthenticationToken.authenticated(account, null, authorities);
  }

  /** How much of the account's rights came with how it signed in. */
  public static TokenScope scope(Authentication authentication) {
    return Stream.of(TokenScope.values())
        .filter(
            scope ->
                authentication.getAuthorities().stream()
                    .anyMatch(had -> scope.authority().equals(had.getAuthority())))
        .findFirst()
        .orElse(TokenScope.READ);
  }
}
