package zealoustarget.server.playbook;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import zealoustarget.core.amount.Direction;
import zealoustarget.core.amount.Measure;

/** What is counted. */
@Entity
@Table(name = "measure")
class MeasureEntity {
  @Id String code;
  String unit;
  int scale;

  @Enumerated(EnumType.STRING)
  Direction direction;

  protected MeasureEntity() {}

  MeasureEntity(Measure measure) {
    code = measure.code();
    unit = measure.unit();
    scale = measure.scale();
    direction = measure.direction();
  }

  Measure toMeasure() {
    return new Measure(code, unit, scale, direction);
  }
}
