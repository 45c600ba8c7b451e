package zealoustarget.server.rules.storage;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;

/**
 * A plan, an assignment, shared credit, stretches, a stage of deals or what closing wants, in the
 * form of a rules file.
 */
@Entity
@Table(name = "rule_part")
class RulePartEntity {
  /** Which list of the file it belongs to. */
  enum Part {
    PLAN,
    ASSIGNMENT,
    SHARED,
    STRETCHES,
    STAGES,
    CLOSING
  }

  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  Integer id;

  @Enumerated(EnumType.STRING)
  Part part;

  @Column(length = 20000)
  String content;

  protected RulePartEntity() {}

  RulePartEntity(Part part, String content) {
    this.part = part;
    this.content = content;
  }
}
