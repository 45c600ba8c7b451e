package zealoustarget.server.access.signin;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Base64;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.core.context.SecurityContextImpl;
import org.springframework.web.filter.OncePerRequestFilter;
import zealoustarget.core.Refusal;
import zealoustarget.server.access.accounts.Account;
import zealoustarget.server.access.accounts.CurrentAccount;
import zealoustarget.server.access.authorization.GateKeeper;
import zealoustarget.server.access.tokens.TokenScope;
import zealoustarget.server.access.tokens.TokenStore;
import zealoustarget.server.platform.problems.ProblemWriter;

/** Programs sign in with every request: by name and password, or by a token. */
public class BasicSignIn extends OncePerRequestFilter {
  private static final String BASIC = "Basic ";
  private static final String BEARER = "Bearer ";

  private final SignIn signIn;
  private final TokenStore tokens;
  private final ConsoleKey console;
  private final ProblemWriter problems;

  public BasicSignIn(SignIn signIn, TokenStore tokens, ConsoleKey console, ProblemWriter problems) {
    this.console = console;
    this.signIn = signIn;
    this.tokens = tokens;
    this.problems = problems;
  }

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    String header = request.getHeader("Authorization");
    if (header != null) {
      try {
        SecurityContextHolder.setContext(new SecurityContextImpl(opened(header, request)));
      } catch (Refusal refused) {
        GateKeeper.challenge(request, response);
        problems.write(response, refused);
        return;
      }
    }
    chain.doFilter(request, response);
  }

  private Authentication opened(String header, HttpServletRequest request) {
    if (header.regionMatches(true, 0, BEARER, 0, BEARER.length())) {
      String token = header.substring(BEARER.length()).strip();
      if (console.isIt(token)) {
        return CurrentAccount.authenticated(Account.system("console"), TokenScope.ALL);
      }
      return tokens
          .open(token)
          .map(opened -> CurrentAccount.authenticated(opened.account(), opened.scope()))
          .orElseThrow(() -> failed(SigninWords.TOKEN_IS_NOT_KNOWN_HERE));
    }
    if (header.regionMatches(true, 0, BASIC, 0, BASIC.length())) {
      String[] pair = decoded(header.substring(BASIC.length()).strip()).split(":", 2);
      if (pair.length == 2) {
        Account account = signIn.signInAgain(pair[0], pair[1], request.getRemoteAddr());
        return CurrentAccount.authenticated(account, TokenScope.ALL);
      }
    }
    throw failed(SigninWords.SEND_NAME_AND_PASSWORD);
  }

  private static String decoded(String text) {
    try {
      return new String(Base64.getDecoder().decode(text), StandardCharsets.UTF_8);
    } catch (IllegalArgumentException noBase64) {
      return "";
    }
  }

  private static Refusal failed(String words) {
    return Refusal.of("sign-in-failed", words);
  }
}
