package zealoustarget.server.access.signin;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import org.springframework.stereotype.Component;
import zealoustarget.core.Refusal;
import zealoustarget.core.member.KeyText;

/**
 * Slows guessing down. Whoever fails from one address waits longer with every try, there. Tries on
 * one name from many addresses wait half a minute at most, and not where the name signed in before;
 * there, where others may share the address, whatever else fails costs half a minute at most. So
 * nobody can keep another out.
 */
@Component
class SignInGuard {
  private static final int KEPT = 20_000;
  private static final int FREE_FOR_PAIR = 5;
  private static final int FREE_FOR_ADDRESS = 40;
  private static final int FREE_FOR_NAME = 20;
  private static final Duration LONGEST = Duration.ofMinutes(15);
  private static final Duration LONGEST_FOR_NAME = Duration.ofSeconds(30);
  private static final Duration FORGOTTEN = Duration.ofHours(1);

  private record Tries(int failed, Instant until, Instant last) {}

  private final Clock clock;
  private final Cache<String, Tries> tries = bounded();
  private final Cache<String, Boolean> known = bounded();

  SignInGuard(Clock clock) {
    this.clock = clock;
  }

  private static <V> Cache<String, V> bounded() {
    return Caffeine.newBuilder().maximumSize(KEPT).executor(Runnable::run).build();
  }

  /**
   * Before a password is looked at.
   *
   * @throws Refusal too-many-tries, with {@code seconds} to wait
   */
  synchronized void check(String name, String address) {
    String folded = KeyText.fold(name);
    Instant now = clock.instant();
    boolean isKnown = known.getIfPresent(folded + " " + address) != null;
    Duration longest = isKnown ? LONGEST_FOR_NAME : LONGEST;
    checkOne("pair " + folded + " " + address, longest, now);
    checkOne("address " + address, longest, now);
    if (!isKnown) {
      checkOne("name " + folded, LONGEST_FOR_NAME, now);
    }
  }

  private void checkOne(String key, Duration longest, Instant now) {
    Tries had = tries.getIfPresent(key);
    if (had == null) {
      return;
    }
    Instant latest = had.last.plus(longest);
    Instant until = latest.isBefore(had.until) ? latest : had.until;
    if (now.isBefore(until)) {
      long seconds = Math.max(1, Duration.between(now, until).toSeconds() + 1);
      throw Refusal.of("too-many-tries", SigninWords.tooManyTriesFailed(seconds))
          .with("seconds", seconds);
    }
  }

  synchronized void failed(String name, String address) {
    String folded = KeyText.fold(name);
    count("pair " + folded + " " + address, FREE_FOR_PAIR, LONGEST);
    count("address " + address, FREE_FOR_ADDRESS, LONGEST);
    count("name " + folded, FREE_FOR_NAME, LONGEST_FOR_NAME);
  }

  synchronized void succeeded(String name, String address) {
    String folded = KeyText.fold(name);
    tries.invalidate("pair " + folded + " " + address);
    known.put(folded + " " + address, true);
  }

  private void count(String key, int free, Duration longest) {
    Instant now = clock.instant();
    Tries had = tries.getIfPresent(key);
    int failed = had == null || had.last.plus(FORGOTTEN).isBefore(now) ? 1 : had.failed + 1;
    long seconds =
        failed < free ? 0 : Math.min(longest.toSeconds(), 2L << Math.min(failed - free, 20));
    tries.put(key, new Tries(failed, now.plusSeconds(seconds), now));
  }
}
