package zealoustarget.server.platform;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** The clock of the whole application; its zone is the company's, so that "today" is its day. */
@Component
public class CompanyClock extends Clock {
  private volatile Clock clock = systemUTC();
  private volatile ZoneId zone = ZoneOffset.UTC;

  /**
   * Goes from a past instant on, so that what is filled in has the days of its story; null goes
   * back to the time of this machine. An instant to come leaves the clock as it is.
   */
  public void goFrom(@Nullable Instant past) {
    Clock machine = systemUTC();
    clock =
        past == null || past.isAfter(machine.instant())
            ? machine
            : offset(machine, Duration.between(machine.instant(), past));
  }

  /** Called with the rules that come into force. */
  public void setZone(ZoneId companyZone) {
    this.zone = companyZone;
  }

  @Override
  public ZoneId getZone() {
    return zone;
  }

  @Override
  public Clock withZone(ZoneId other) {
    return clock.withZone(other);
  }

  @Override
  public Instant instant() {
    return clock.instant();
  }

  @Override
  public long millis() {
    return clock.millis();
  }
}
