package zealoustarget.server.notes;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;

/** One reason of the company's list. */
@Entity
@Table(name = "reason")
class ReasonEntity {
  @Id String code;
  int place;
  String name;

  protected ReasonEntity() {}

  ReasonEntity(String code, int place, String name) {
    this.code = code;
    this.place = place;
    this.name = name;
  }
}
