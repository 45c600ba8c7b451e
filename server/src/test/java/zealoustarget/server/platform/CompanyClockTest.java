package zealoustarget.server.platform;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.time.ZoneId;
import org.junit.jupiter.api.Test;

class CompanyClockTest {
  @Test
  void today_isTheCompanysDay() {
    CompanyClock clock = new CompanyClock();
    clock.setZone(ZoneId.of("Pacific/Kiritimati"));
    LocalDate first = LocalDate.now(clock);
    clock.setZone(ZoneId.of("Etc/GMT+12"));
    assertThat(LocalDate.now(clock)).as("26 hours apart").isBefore(first);
  }
}
