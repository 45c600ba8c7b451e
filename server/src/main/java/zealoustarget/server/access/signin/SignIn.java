package zealoustarget.server.access.signin;

import java.nio.charset.StandardCharsets;
import java.security.GeneralSecurityException;
import java.security.MessageDigest;
import java.security.SecureRandom;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import java.util.function.Supplier;
import javax.crypto.Mac;
import javax.crypto.spec.SecretKeySpec;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import zealoustarget.core.Refusal;
import zealoustarget.server.access.accounts.Account;
import zealoustarget.server.access.accounts.AccountStore;
import zealoustarget.server.access.accounts.Passwords;

/** Tells by name and password who somebody is. */
@Component
public class SignIn {
  private static final Duration REMEMBERED = Duration.ofMinutes(5);
  private static final int MOST_REMEMBERED = 1_000;
  private static final int AT_ONCE = 4;
  private static final Duration LONGEST_TURN = Duration.ofSeconds(5);

  /** A password that was right, under a key that ends with the process. */
  private record Recent(byte[] mac, int stamp, Instant until) {}

  private final AccountStore accounts;
  private final Passwords passwords;
  private final SignInGuard guard;
  private final Clock clock;
  private final SignInTrail trail;
  private final SecretKeySpec key;
  private final Map<Integer, Recent> recent = new ConcurrentHashMap<>();
  private final Semaphore turns = new Semaphore(AT_ONCE, true);

  SignIn(
      AccountStore accounts,
      Passwords passwords,
      SignInGuard guard,
      Clock clock,
      SignInTrail trail) {
    this.trail = trail;
    this.accounts = accounts;
    this.passwords = passwords;
    this.guard = guard;
    this.clock = clock;
    byte[] random = new byte[32];
    new SecureRandom().nextBytes(random);
    this.key = new SecretKeySpec(random, "HmacSHA256");
  }

  /**
   * The account behind name and password.
   *
   * @param address of the caller
   * @throws Refusal sign-in-failed, the same whatever was wrong; too-many-tries
   */
  Account signIn(String name, String password, String address) {
    if (isTooLong(name, password)) {
      throw failed();
    }
    return inTurn(() -> signInAlone(name, password, address));
  }

  private Account signInAlone(String name, String password, String address) {
    guard.check(name, address);
    Account account = accounts.findByName(name).orElse(null);
    boolean isRight = passwords.matches(password, accounts.hash(account));
    if (!isRight || account == null || account.isDisabled()) {
      guard.failed(name, address);
      trail.failed(account, address);
      throw failed();
    }
    guard.succeeded(name, address);
    return account;
  }

  /** No account has such a name or password; they are neither looked for, hashed nor counted. */
  private static boolean isTooLong(String name, String password) {
    return name.length() > AccountStore.LONGEST_NAME || password.length() > Passwords.LONGEST;
  }

  private static Refusal failed() {
    return Refusal.of("sign-in-failed", SigninWords.NAME_OR_PASSWORD_IS_WRONG);
  }

  /** The same for a program that sends both with every request: hashing each anew would be slow. */
  Account signInAgain(String name, String password, String address) {
    if (isTooLong(name, password)) {
      throw failed();
    }
    byte[] mac = mac(password);
    Account had = remembered(name, mac);
    return had != null ? had : inTurn(() -> signInAndRemember(name, password, mac, address));
  }

  private Account signInAndRemember(String name, String password, byte[] mac, String address) {
    Account had = remembered(name, mac); // by a request that came at the same time
    if (had != null) {
      return had;
    }
    Account found = signInAlone(name, password, address);
    trail.signedInByProgram(found, address);
    if (recent.size() >= MOST_REMEMBERED) {
      recent.clear();
    }
    recent.put(found.id(), new Recent(mac, found.stamp(), clock.instant().plus(REMEMBERED)));
    return found;
  }

  private @Nullable Account remembered(String name, byte[] mac) {
    Account account = accounts.findByName(name).orElse(null);
    if (account == null || account.isDisabled()) {
      return null;
    }
    Recent had = recent.get(account.id());
    return had != null
            && had.stamp == account.stamp()
            && clock.instant().isBefore(had.until)
            && MessageDigest.isEqual(had.mac, mac)
        ? account
        : null;
  }

  /** Hashing takes memory and time, and a burst of guesses must be counted one by one. */
  private Account inTurn(Supplier<Account> work) {
    try {
      if (!turns.tryAcquire(LONGEST_TURN.toSeconds(), TimeUnit.SECONDS)) {
        throw Refusal.of("too-many-tries", SigninWords.TOO_MANY_SIGN_IN)
            .with("seconds", LONGEST_TURN.toSeconds());
      }
    } catch (InterruptedException stopped) {
      Thread.currentThread().interrupt();
      throw new IllegalStateException(stopped);
    }
    try {
      return work.get();
    } finally {
      turns.release();
    }
  }

  private byte[] mac(String password) {
    try {
      Mac mac = Mac.getInstance(key.getAlgorithm());
      mac.init(key);
      return mac.doFinal(password.getBytes(StandardCharsets.UTF_8));
    } catch (GeneralSecurityException missing) {
      throw new IllegalStateException(missing);
    }
  }
}
