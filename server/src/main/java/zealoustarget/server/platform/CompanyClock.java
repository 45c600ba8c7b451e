package zealoustarget.server.platform;

import java.time.Clock;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import org.springframework.stereotype.Component;

/** The clock of the whole application; its zone is the company's, so that "today" is its day. */
@Component
public class CompanyClock extends Clock {
  private final Clock clock = systemUTC();
  private volatile ZoneId zone = ZoneOffset.UTC;

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
