package zealoustarget.server.access.signin;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatCode;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import org.junit.jupiter.api.Test;
import zealoustarget.core.Refusal;

class SignInGuardTest {
  /** A clock that a test moves. */
  private static final class Hand extends Clock {
    private Instant now = Instant.parse("2026-11-23T08:00:00Z");

    void wait(Duration time) {
      now = now.plus(time);
    }

    @Override
    public ZoneId getZone() {
      return ZoneOffset.UTC;
    }

    @Override
    public Clock withZone(ZoneId zone) {
      return this;
    }

    @Override
    public Instant instant() {
      return now;
    }
  }

  private final Hand clock = new Hand();
  private final SignInGuard guard = new SignInGuard(clock);

  private void fail(String name, String address, int times) {
    for (int time = 0; time < times; time++) {
      guard.failed(name, address);
    }
  }

  @Test
  void fewMistakes_areFree_andGuessingWaitsLongerEachTime() {
    fail("Ada", "10.0.0.1", 4);
    assertThatCode(() -> guard.check("ada", "10.0.0.1")).doesNotThrowAnyException();
    long before = 0;
    for (int tries = 0; tries < 12; tries++) {
      guard.failed("Ada", "10.0.0.1");
      Refusal refused = refusal("ADA", "10.0.0.1");
      long seconds = (Long) refused.details().get("seconds");
      assertThat(seconds).isGreaterThanOrEqualTo(before).isLessThanOrEqualTo(901);
      before = seconds;
      clock.wait(Duration.ofSeconds(seconds));
      assertThatCode(() -> guard.check("Ada", "10.0.0.1")).doesNotThrowAnyException();
    }
    assertThat(before).isEqualTo(901);
  }

  private Refusal refusal(String name, String address) {
    try {
      guard.check(name, address);
    } catch (Refusal refused) {
      assertThat(refused.code()).isEqualTo("too-many-tries");
      return refused;
    }
    throw new AssertionError("was let through");
  }

  @Test
  void strangerWhoGuesses_doesNotKeepTheOwnerOut() {
    guard.succeeded("Ada", "10.0.0.1");
    for (int address = 0; address < 200; address++) {
      fail("Ada", "66.0.0." + address, 3);
    }
    assertThatCode(() -> guard.check("Ada", "10.0.0.1")).doesNotThrowAnyException();
    Refusal elsewhere = refusal("Ada", "10.0.0.2");
    assertThat((Long) elsewhere.details().get("seconds")).isLessThanOrEqualTo(31);
    clock.wait(Duration.ofSeconds(31));
    assertThatCode(() -> guard.check("Ada", "10.0.0.2")).doesNotThrowAnyException();
  }

  @Test
  void neighbourWhoGuesses_atTheOwnersAddress_costsHalfAMinuteAtMost() {
    guard.succeeded("Ada", "10.0.0.1");
    fail("Ada", "10.0.0.1", 30);
    fail("Bo", "10.0.0.1", 60);
    assertThat((Long) refusal("Ada", "10.0.0.1").details().get("seconds")).isLessThanOrEqualTo(31);
    assertThat((Long) refusal("Cleo", "10.0.0.1").details().get("seconds")).isGreaterThan(800);
    clock.wait(Duration.ofSeconds(31));
    assertThatCode(() -> guard.check("Ada", "10.0.0.1")).doesNotThrowAnyException();
  }

  @Test
  void manyNamesFromOneAddress_waitToo_andAnHourForgets() {
    for (int name = 0; name < 40; name++) {
      guard.failed("name " + name, "66.0.0.1");
    }
    assertThatThrownBy(() -> guard.check("another", "66.0.0.1")).isInstanceOf(Refusal.class);
    assertThatCode(() -> guard.check("another", "66.0.0.2")).doesNotThrowAnyException();
    clock.wait(Duration.ofMinutes(61));
    guard.failed("another", "66.0.0.1");
    assertThatCode(() -> guard.check("another", "66.0.0.1")).doesNotThrowAnyException();
  }

  @Test
  void success_clearsTheCount() {
    fail("Ada", "10.0.0.1", 4);
    guard.succeeded("Ada", "10.0.0.1");
    fail("Ada", "10.0.0.1", 4);
    assertThatCode(() -> guard.check("Ada", "10.0.0.1")).doesNotThrowAnyException();
  }
}
