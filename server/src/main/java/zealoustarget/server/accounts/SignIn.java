package zealoustarget.server.accounts;

import java.nio.charset.StandardCharsets;
import java.security.GeneralSecurityException;
import java.security.SecureRandom;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Arrays;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import javax.crypto.Mac;
import javax.crypto.spec.SecretKeySpec;
import org.springframework.stereotype.Component;
import zealoustarget.core.Refusal;

/** Tells by name and password who somebody is. */
@Component
class SignIn {
  private static final Duration REMEMBERED = Duration.ofMinutes(5);
  private static final int MOST_REMEMBERED = 1_000;

  /** A password that was right, under a key that ends with the process. */
  private record Recent(byte[] mac, int stamp, Instant until) {}

  private final AccountStore accounts;
  private final Passwords passwords;
  private final SignInGuard guard;
  private final Clock clock;
  private final SecretKeySpec key;
  private final Map<Integer, Recent> recent = new ConcurrentHashMap<>();

  SignIn(AccountStore accounts, Passwords passwords, SignInGuard guard, Clock clock) {
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
    guard.check(name, address);
    Account account = accounts.findByName(name).orElse(null);
    boolean isRight = passwords.matches(password, accounts.hash(account));
    if (!isRight || account.isDisabled()) {
      guard.failed(name, address);
      throw Refusal.of(
          "sign-in-failed",
          "Name or password is wrong. Check both; capitals count in the password.");
    }
    guard.succeeded(name, address);
    return account;
  }

  /** The same for a program that sends both with every request: hashing each anew would be slow. */
  Account signInAgain(String name, String password, String address) {
    Account account = accounts.findByName(name).orElse(null);
    byte[] mac = mac(password);
    if (account != null && !account.isDisabled()) {
      Recent had = recent.get(account.id());
      if (had != null
          && had.stamp == account.stamp()
          && clock.instant().isBefore(had.until)
          && Arrays.equals(had.mac, mac)) {
        return account;
      }
    }
    Account found = signIn(name, password, address);
    if (recent.size() >= MOST_REMEMBERED) {
      recent.clear();
    }
    recent.put(found.id(), new Recent(mac, found.stamp(), clock.instant().plus(REMEMBERED)));
    return found;
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
