package zealoustarget.server.access.signin;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.anyString;
import static org.mockito.Mockito.atMost;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.verifyNoInteractions;
import static org.mockito.Mockito.when;

import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import zealoustarget.core.Refusal;
import zealoustarget.server.access.accounts.Account;
import zealoustarget.server.access.accounts.AccountStore;
import zealoustarget.server.access.accounts.Passwords;
import zealoustarget.server.access.accounts.Role;

class SignInTest {
  private static final int MANY = 60;
  static final Account ADA = new Account(1, "Ada", Role.ANALYST, null, true, false, false, 1, 1);

  private final Passwords passwords = mock(Passwords.class);
  private final AccountStore accounts = mock(AccountStore.class);
  private final AtomicInteger hashing = new AtomicInteger();
  private final AtomicInteger most = new AtomicInteger();
  private final ExecutorService threads = Executors.newFixedThreadPool(MANY);
  private SignIn signIn;

  @BeforeEach
  void make() {
    when(accounts.findByName("Ada")).thenReturn(Optional.of(ADA));
    when(accounts.hash(any())).thenReturn("hash");
    when(passwords.matches(anyString(), anyString()))
        .thenAnswer(
            asked -> {
              most.accumulateAndGet(hashing.incrementAndGet(), Math::max);
              Thread.sleep(20);
              hashing.decrementAndGet();
              return asked.getArgument(0).equals("right");
            });
    Clock clock = Clock.systemUTC();
    signIn =
        new SignIn(accounts, passwords, new SignInGuard(clock), clock, mock(SignInTrail.class));
  }

  @AfterEach
  void stop() {
    threads.shutdownNow();
  }

  private List<String> atOnce(Callable<Account> work) throws InterruptedException {
    List<Future<Account>> all = new ArrayList<>();
    for (int at = 0; at < MANY; at++) {
      all.add(threads.submit(work));
    }
    List<String> outcomes = new ArrayList<>();
    for (Future<Account> one : all) {
      try {
        outcomes.add(one.get().name());
      } catch (ExecutionException failed) {
        outcomes.add(((Refusal) failed.getCause()).code());
      }
    }
    return outcomes;
  }

  @Test
  void namesAndPasswordsBeyondAnyAccounts_areNeitherHashedNorCounted() {
    String huge = "x".repeat(9_000_000);
    for (String[] pair : new String[][] {{huge, "guess"}, {"Ada", huge}}) {
      for (int at = 0; at < 20; at++) {
        assertThatThrownBy(() -> signIn.signIn(pair[0], pair[1], "66.0.0.1"))
            .hasMessageContaining("wrong");
        assertThatThrownBy(() -> signIn.signInAgain(pair[0], pair[1], "66.0.0.1"))
            .hasMessageContaining("wrong");
      }
    }
    verifyNoInteractions(passwords);
    assertThat(signIn.signIn("Ada", "right", "66.0.0.1").name()).isEqualTo("Ada");
  }

  @Test
  void burstOfGuesses_isCountedOneByOne_andHashedFewAtATime() throws Exception {
    List<String> outcomes = atOnce(() -> signIn.signIn("Ada", "guess", "66.0.0.1"));
    assertThat(outcomes).contains("too-many-tries").doesNotContain("Ada");
    assertThat(outcomes.stream().filter("sign-in-failed"::equals).count()).isBetween(5L, 8L);
    assertThat(most.get()).isLessThanOrEqualTo(4);
  }

  @Test
  void programThatBeginsWithManyRequests_isHashedOnceOrAFewTimes_andLetIn() throws Exception {
    assertThat(atOnce(() -> signIn.signInAgain("Ada", "right", "10.0.0.1"))).containsOnly("Ada");
    verify(passwords, atMost(4)).matches("right", "hash");
    assertThat(signIn.signInAgain("Ada", "right", "10.0.0.1")).isEqualTo(ADA);
  }
}
