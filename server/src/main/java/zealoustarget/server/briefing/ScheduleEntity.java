package zealoustarget.server.briefing;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import org.jspecify.annotations.Nullable;

/** A briefing that is sent by itself. */
@Entity
@Table(name = "briefing_schedule")
class ScheduleEntity {
  /** The first working day after a month is closed. */
  static final String AFTER_CLOSING = "after-closing";

  /** Once a week, for the month that is open. */
  static final String WEEKLY = "weekly";

  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  Integer id;

  String rhythm;

  /** {@link Recipients#kept}. */
  @Column(length = 4000)
  String names;

  @Column(name = "as_pdf")
  boolean asPdf;

  /** The month or week that was sent last; null before the first. */
  @Column(name = "last_period")
  @Nullable String lastPeriod;

  @Column(name = "made_by")
  String by;

  protected ScheduleEntity() {}

  ScheduleEntity(String rhythm, Recipients to, boolean asPdf, String by) {
    this.rhythm = rhythm;
    this.names = to.kept();
    this.asPdf = asPdf;
    this.by = by;
  }

  Recipients to() {
    return Recipients.read(names);
  }
}
