package zealoustarget.server.briefing;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import org.jspecify.annotations.Nullable;

/** What somebody says of a block. */
@Entity
@Table(name = "briefing_remark")
class RemarkEntity {
  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  Integer id;

  @Column(name = "briefing_id")
  int briefing;

  String block;
  String content;

  @Column(name = "made_by")
  String by;

  @Column(name = "made_at")
  Instant at;

  @Nullable String answer;

  @Column(name = "answered_by")
  @Nullable String answeredBy;
}
