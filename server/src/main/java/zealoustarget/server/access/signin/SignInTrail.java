package zealoustarget.server.access.signin;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Duration;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import zealoustarget.server.access.accounts.Account;
import zealoustarget.server.access.accounts.CurrentAccount;
import zealoustarget.server.audit.Audit;
import zealoustarget.server.audit.AuditKind;

/**
 * Notes who signed in, and who could not. What repeats itself is noted once in a while, so that
 * nobody fills the trail by guessing; names that no account has are not noted, as a password may
 * have been typed there.
 */
@Component
class SignInTrail {
  private static final int MOST = 10_000;
  private static final Duration FAILURE = Duration.ofMinutes(1);
  private static final Duration PROGRAM = Duration.ofDays(1);

  private final Audit audit;
  private final Cache<String, Boolean> failures = recent(FAILURE);
  private final Cache<String, Boolean> programs = recent(PROGRAM);

  SignInTrail(Audit audit) {
    this.audit = audit;
  }

  private static Cache<String, Boolean> recent(Duration time) {
    return Caffeine.newBuilder()
        .maximumSize(MOST)
        .expireAfterWrite(time)
        .executor(Runnable::run)
        .build();
  }

  void signedIn(Account account, String address) {
    note(account, address, SigninWords.SIGNED_IN);
  }

  /** A program sends name and password with every request; the first of a day is noted. */
  void signedInByProgram(Account account, String address) {
    if (isNew(programs, account.id() + " " + address)) {
      note(account, address, SigninWords.SIGNED_IN_BY_PROGRAM);
    }
  }

  /** Under the account's name, which nobody acts by yet. */
  private void note(Account account, String address, String what) {
    CurrentAccount.asSystem(
        account.name(),
        () -> audit.add(AuditKind.SIGN_IN, account.name() + " from " + address, null, what));
  }

  /**
   * Somebody did not get in.
   *
   * @param account null where no account has that name
   */
  void failed(@Nullable Account account, String address) {
    String who = account == null ? SigninWords.UNKNOWN_NAME : account.name();
    if (isNew(failures, who + " " + address)) {
      audit.add(AuditKind.SIGN_IN, who + " from " + address, null, "failed");
    }
  }

  private static boolean isNew(Cache<String, Boolean> had, String key) {
    return had.asMap().putIfAbsent(key, true) == null;
  }
}
