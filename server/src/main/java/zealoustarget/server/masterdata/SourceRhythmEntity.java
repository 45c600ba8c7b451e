package zealoustarget.server.masterdata;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import zealoustarget.core.close.SourceRhythm;

/** A source whose lines are not expected every month. */
@Entity
@Table(name = "source_rhythm")
class SourceRhythmEntity {
  @Id String source;

  @Enumerated(EnumType.STRING)
  SourceRhythm rhythm;

  @Column(name = "made_by")
  String by;

  protected SourceRhythmEntity() {}

  SourceRhythmEntity(String source, SourceRhythm rhythm, String by) {
    this.source = source;
    this.rhythm = rhythm;
    this.by = by;
  }
}
