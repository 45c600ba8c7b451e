package zealoustarget.server.briefing;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;

/** A company's own order of the parts that are drafted. */
@Entity
@Table(name = "briefing_template")
class TemplateEntity {
  @Id String name;

  /** Parts, separated by commas. */
  String parts;

  @Column(name = "made_by")
  String by;

  protected TemplateEntity() {}

  TemplateEntity(String name, String parts, String by) {
    this.name = name;
    this.parts = parts;
    this.by = by;
  }
}
