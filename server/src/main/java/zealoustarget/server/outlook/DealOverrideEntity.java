package zealoustarget.server.outlook;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.time.LocalDate;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.outlook.DealOverride;

/** One value of a deal that somebody knows better than its source. */
@Entity
@Table(name = "deal_override")
class DealOverrideEntity {
  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  @Nullable Integer id;

  String source;

  /** The folded key. */
  String deal;

  @Enumerated(EnumType.STRING)
  DealOverride.Field field;

  /** Empty for other fields than amounts. */
  String measure = "";

  @Column(name = "override_value")
  long value;

  @Column(name = "source_value")
  long was;

  LocalDate since;
  String reason;

  @Column(name = "made_by")
  String madeBy;

  @Column(name = "made_at")
  Instant madeAt;

  protected DealOverrideEntity() {}

  DealOverrideEntity(DealOverride override, String reason, String madeBy, Instant madeAt) {
    this.source = override.source();
    this.deal = override.deal();
    this.field = override.field();
    this.measure = override.measure() == null ? "" : override.measure();
    this.value = override.value();
    this.was = override.was();
    this.since = override.since();
    this.reason = reason;
    this.madeBy = madeBy;
    this.madeAt = madeAt;
  }

  DealOverride toOverride() {
    return new DealOverride(
        source, deal, field, measure.isEmpty() ? null : measure, value, was, since);
  }
}
