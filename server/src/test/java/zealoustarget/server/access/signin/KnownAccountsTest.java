package zealoustarget.server.access.signin;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.mock.web.MockFilterChain;
import org.springframework.mock.web.MockHttpServletRequest;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.mock.web.MockHttpSession;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.core.context.SecurityContextImpl;
import zealoustarget.server.access.accounts.Account;
import zealoustarget.server.access.accounts.AccountStore;
import zealoustarget.server.access.accounts.CurrentAccount;
import zealoustarget.server.access.tokens.TokenScope;

class KnownAccountsTest {
  private static final Instant NOW = Instant.parse("2026-11-28T12:00:00Z");
  private final AccountStore accounts = mock(AccountStore.class);
  private final KnownAccounts filter =
      new KnownAccounts(accounts, Duration.ofHours(12), Clock.fixed(NOW, ZoneOffset.UTC));

  @AfterEach
  void forget() {
    SecurityContextHolder.clearContext();
  }

  @ParameterizedTest
  @CsvSource({"11, true", "13, false"})
  void session_endsAfterItsLimit_howeverOftenItIsUsed(int hoursAgo, boolean isKept)
      throws Exception {
    Account ada = SignInTest.ADA;
    when(accounts.find(ada.id())).thenReturn(Optional.of(ada));
    MockHttpServletRequest request = new MockHttpServletRequest("GET", "/api/v1/company");
    KnownAccounts.begin(request.getSession(), NOW.minus(Duration.ofHours(hoursAgo)));
    SecurityContextHolder.setContext(
        new SecurityContextImpl(CurrentAccount.authenticated(ada, TokenScope.ALL)));
    filter.doFilter(request, new MockHttpServletResponse(), new MockFilterChain());
    assertThat(SecurityContextHolder.getContext().getAuthentication() != null).isEqualTo(isKept);
    assertThat(request.getSession(false) != null).isEqualTo(isKept);
  }

  @Test
  void oldestSession_endsWhereAnAccountHasTooMany() {
    OpenSessions sessions = new OpenSessions();
    List<MockHttpSession> all = new ArrayList<>();
    for (int at = 0; at < OpenSessions.MOST + 2; at++) {
      all.add(new MockHttpSession());
      sessions.begin(SignInTest.ADA, all.get(at));
      if (at == 1) {
        all.get(at).invalidate(); // ended by itself, and is no trouble later
      }
    }
    assertThat(all.subList(0, 2)).allMatch(MockHttpSession::isInvalid);
    assertThat(all.subList(2, all.size())).noneMatch(MockHttpSession::isInvalid);
  }
}
