package zealoustarget.server.intake;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;

/** What was decided about a line of a staged load. */
@Entity
@Table(name = "fix")
class FixEntity {
  /** The whole line, not one cell of it. */
  static final int LINE = -1;

  /** What is done. */
  enum Action {
    /** The cell is read as {@code content}. */
    REWRITE,
    /** The line is left out. */
    LEAVE,
    /** The line counts although it looks like a total. */
    COUNT,
    /** The remark named in {@code content} is fine. */
    ACCEPT
  }

  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  Integer id;

  @Column(name = "load_id")
  int loadId;

  int line;

  @Column(name = "column_at")
  int columnAt;

  @Enumerated(EnumType.STRING)
  Action action;

  String content;

  protected FixEntity() {}

  FixEntity(int loadId, int line, int columnAt, Action action, String content) {
    this.loadId = loadId;
    this.line = line;
    this.columnAt = columnAt;
    this.action = action;
    this.content = content;
  }
}
