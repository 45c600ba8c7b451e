package zealoustarget.server.intake.load;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.intake.FindingCode;

/** A finding as it is kept; details are a JSON object. */
@Entity
@Table(name = "finding")
class FindingEntity {
  @Id long id;

  @Column(name = "load_id")
  int loadId;

  int line;

  @Column(name = "column_title")
  @Nullable String columnTitle;

  @Enumerated(EnumType.STRING)
  FindingCode code;

  String details;

  /** Whether someone said that it is fine. */
  boolean accepted;

  protected FindingEntity() {}

  FindingEntity(
      long id,
      int loadId,
      int line,
      @Nullable String columnTitle,
      FindingCode code,
      String details,
      boolean accepted) {
    this.id = id;
    this.loadId = loadId;
    this.line = line;
    this.columnTitle = columnTitle;
    this.code = code;
    this.details = details;
    this.accepted = accepted;
  }
}
