package zealoustarget.server.rules.storage;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.LocalDate;

/** A weekday that is no working day. */
@Entity
@Table(name = "holiday")
class HolidayEntity {
  @Id
  @Column(name = "holiday_on")
  LocalDate day;

  protected HolidayEntity() {}

  HolidayEntity(LocalDate day) {
    this.day = day;
  }
}
