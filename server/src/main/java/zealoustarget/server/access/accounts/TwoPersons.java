package zealoustarget.server.access.accounts;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Duration;
import java.util.Optional;
import java.util.function.Predicate;
import org.springframework.stereotype.Component;
import zealoustarget.core.Refusal;

/**
 * Changes that take two persons, where {@code zealous.accounts.two-persons} says so and there are
 * two who may: the first says what is to be done, the second says the same within a day.
 */
@Component
public class TwoPersons {
  private static final int MOST = 1_000;
  private static final Duration WAITING = Duration.ofDays(1);

  private final AccountStore accounts;
  private final AccountSettings settings;
  private final Cache<String, Account> first =
      Caffeine.newBuilder()
          .maximumSize(MOST)
          .expireAfterWrite(WAITING)
          .executor(Runnable::run)
          .build();

  TwoPersons(AccountStore accounts, AccountSettings settings) {
    this.accounts = accounts;
    this.settings = settings;
  }

  /**
   * Something that one approver says and another repeats.
   *
   * @param what exactly, the same for both
   * @return who said it first; empty where one person is enough
   * @throws Refusal another-person for the first of the two
   */
  public Optional<String> ofApprovers(String what) {
    return of(what, account -> account.role() == Role.APPROVER);
  }

  /** Whether such changes take two persons here. */
  public boolean isSet() {
    return settings.twoPersons();
  }

  /** The same of administrators. */
  Optional<String> ofAdministrators(String what) {
    return of(what, Account::isAdministrator);
  }

  private Optional<String> of(String what, Predicate<Account> may) {
    Account acting = CurrentAccount.account();
    long able = accounts.all().stream().filter(may).filter(one -> !one.isDisabled()).count();
    if (!settings.twoPersons() || able < 2 || acting.id() == 0) {
      return Optional.empty();
    }
    Account said = first.asMap().putIfAbsent(what, acting);
    if (said == null || said.id() == acting.id()) {
      throw Refusal.of("another-person", AccountsWords.thisNeedsTwoPersons(acting.name()));
    }
    first.invalidate(what);
    return Optional.of(said.name());
  }
}
