package zealoustarget.server.intake.corrections;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.intake.FindingCode;
import zealoustarget.core.intake.header.Header;

/** What was decided about a line of a staged load. */
@Entity
@Table(name = "fix")
public class FixEntity {
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

  public int line;

  @Column(name = "column_at")
  int columnAt;

  @Enumerated(EnumType.STRING)
  Action action;

  String content;

  /** What a rewritten cell read before; null for other actions and for older decisions. */
  @Nullable String was;

  @Column(name = "decided_by")
  public String decidedBy;

  @Column(name = "decided_at")
  public Instant decidedAt;

  protected FixEntity() {}

  FixEntity(int loadId, int line, int columnAt, Action action, String content) {
    this.loadId = loadId;
    this.line = line;
    this.columnAt = columnAt;
    this.action = action;
    this.content = content;
  }

  /**
   * Such as "revenue 3x0.00 → 300, Ada, 2026-11-02".
   *
   * @param titles of the file's columns; empty where the file is not kept
   */
  public String words(List<String> titles) {
    String what =
        switch (action) {
          case REWRITE ->
              CorrectionsWords.column(
                  columnAt,
                  titles.size(),
                  Header.nameOf(titles, columnAt),
                  (columnAt + 1),
                  was,
                  content);
          case LEAVE -> CorrectionsWords.LEFT_OUT;
          case COUNT -> "counted";
          case ACCEPT -> "accepted: " + FindingCode.valueOf(content).word();
        };
    return decidedBy == null
        ? what
        : what + ", " + decidedBy + ", " + decidedAt.atZone(ZoneOffset.UTC).toLocalDate();
  }

  FixEntity of(String cell) {
    was = cell;
    return this;
  }
}
