package zealoustarget.server.rules.storage;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Direction;
import zealoustarget.core.amount.Measure;

/** What is counted, or a rate of two of them. */
@Entity
@Table(name = "measure")
class MeasureEntity {
  @Id String code;
  String unit;
  int scale;

  @Enumerated(EnumType.STRING)
  Direction direction;

  @Column(name = "over_code")
  @Nullable String overCode;

  @Column(name = "under_code")
  @Nullable String underCode;

  protected MeasureEntity() {}

  MeasureEntity(Measure measure) {
    code = measure.code();
    unit = measure.unit();
    scale = measure.scale();
    direction = measure.direction();
    overCode = measure.isRate() ? Objects.requireNonNull(measure.quotient()).over().code() : null;
    underCode = measure.isRate() ? Objects.requireNonNull(measure.quotient()).under().code() : null;
  }

  boolean isRate() {
    return overCode != null;
  }

  /** Of what is counted itself. */
  Measure toMeasure() {
    return new Measure(code, unit, scale, direction);
  }

  /** Of a rate, with the two measures that it divides. */
  Measure toRate(Measure over, Measure under) {
    return Measure.rate(code, over, under, direction);
  }
}
