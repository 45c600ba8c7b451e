package zealoustarget.server.access.signin;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.time.Clock;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.core.context.SecurityContextImpl;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import zealoustarget.core.Refusal;
import zealoustarget.server.access.accounts.Account;
import zealoustarget.server.access.accounts.AccountAnswer;
import zealoustarget.server.access.accounts.AccountAnswers;
import zealoustarget.server.access.accounts.AccountStore;
import zealoustarget.server.access.accounts.CurrentAccount;
import zealoustarget.server.access.accounts.FirstAccounts;
import zealoustarget.server.access.accounts.Passwords;
import zealoustarget.server.access.tokens.TokenScope;

/** Signing in and out of the page, and the own password. */
@RestController
@RequestMapping("/api/v1/session")
class SessionController {
  /** Under what wrong codes of the first account are counted. */
  private static final String FIRST_ACCOUNT = "first account";

  private final SignIn signIn;
  private final SignInGuard guard;
  private final AccountStore accounts;
  private final Passwords passwords;
  private final FirstAccounts first;
  private final SecurityContextRepository contexts;
  private final AccountAnswers answers;
  private final Clock clock;
  private final OpenSessions sessions;
  private final SignInTrail trail;

  SessionController(
      SignIn signIn,
      SignInGuard guard,
      AccountStore accounts,
      Passwords passwords,
      FirstAccounts first,
      SecurityContextRepository contexts,
      AccountAnswers answers,
      Clock clock,
      OpenSessions sessions,
      SignInTrail trail) {
    this.trail = trail;
    this.sessions = sessions;
    this.clock = clock;
    this.answers = answers;
    this.signIn = signIn;
    this.guard = guard;
    this.accounts = accounts;
    this.passwords = passwords;
    this.first = first;
    this.contexts = contexts;
  }

  record SignInBody(String name, String password) {}

  record FirstBody(String code, String name, String password) {}

  record PasswordBody(String now, String next) {}

  /**
   * Who is signed in.
   *
   * @param account null for nobody
   * @param isFirst whether the first account is still to be made
   * @param demo accounts for everybody to try; empty outside the demo
   */
  record SessionAnswer(
      @Nullable AccountAnswer account, boolean isFirst, List<FirstAccounts.DemoAccount> demo) {}

  /** Who is signed in, and what may be offered to somebody who is not. */
  @GetMapping
  SessionAnswer session() {
    return new SessionAnswer(
        CurrentAccount.isSignedIn() ? answers.of(CurrentAccount.account()) : null,
        first.isWaiting(),
        first.offered());
  }

  /** Signs the page in. 401 {@code sign-in-failed}; 429 {@code too-many-tries}. */
  @PostMapping
  SessionAnswer signIn(
      @RequestBody SignInBody body, HttpServletRequest request, HttpServletResponse response) {
    Account account =
        signIn.signIn(text(body.name()), text(body.password()), request.getRemoteAddr());
    trail.signedIn(account, request.getRemoteAddr());
    open(account, request, response);
    return session();
  }

  /** Makes the first account with the code from the console and signs it in. */
  @PostMapping("/first")
  SessionAnswer first(
      @RequestBody FirstBody body, HttpServletRequest request, HttpServletResponse response) {
    guard.check(FIRST_ACCOUNT, request.getRemoteAddr());
    try {
      open(first.make(body.code(), body.name(), body.password()), request, response);
    } catch (Refusal refused) {
      if (refused.code().equals("sign-in-failed")) {
        guard.failed(FIRST_ACCOUNT, request.getRemoteAddr());
      }
      throw refused;
    }
    return session();
  }

  /** Signs the page out. */
  @DeleteMapping
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void signOut(HttpServletRequest request) {
    HttpSession session = request.getSession(false);
    if (session != null) {
      session.invalidate();
    }
    SecurityContextHolder.clearContext();
  }

  /** Changes the own password; every other session of the account ends. */
  @PutMapping("/password")
  SessionAnswer password(
      @RequestBody PasswordBody body, HttpServletRequest request, HttpServletResponse response) {
    Account account = CurrentAccount.account();
    signIn.signIn(account.name(), text(body.now()), request.getRemoteAddr());
    passwords.check(body.next(), account.name());
    if (text(body.next()).equals(body.now())) {
      throw Refusal.of("password-weak", SigninWords.NEW_PASSWORD_IS_SAME_AS_CURRENT);
    }
    open(accounts.setPassword(account.id(), body.next(), false), request, response);
    return session();
  }

  private void open(Account account, HttpServletRequest request, HttpServletResponse response) {
    KnownAccounts.begin(request.getSession(), clock.instant());
    sessions.begin(account, request.getSession());
    request.changeSessionId();
    SecurityContext context =
        new SecurityContextImpl(CurrentAccount.authenticated(account, TokenScope.ALL));
    SecurityContextHolder.setContext(context);
    contexts.saveContext(context, request, response);
  }

  private static String text(String text) {
    return text == null ? "" : text;
  }
}
