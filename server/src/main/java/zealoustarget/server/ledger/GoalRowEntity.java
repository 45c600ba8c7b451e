package zealoustarget.server.ledger;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.util.Arrays;
import zealoustarget.core.intake.Row;

/** One member's goals of a month. */
@Entity
@Table(name = "goal_row")
class GoalRowEntity {
  @Id long id;

  @Column(name = "load_id")
  int loadId;

  int line;

  @Column(name = "goal_month")
  int goalMonth;

  @Column(name = "member_id")
  int memberId;

  long[] amounts;

  protected GoalRowEntity() {}

  GoalRowEntity(long id, int loadId, Row.Goal row) {
    this.id = id;
    this.loadId = loadId;
    this.line = row.line();
    this.goalMonth = row.month();
    this.memberId = row.member();
    this.amounts = row.amounts();
  }

  /** All that it says, as a digest takes it in. */
  String text() {
    return line + "," + goalMonth + "," + memberId + "," + Arrays.toString(amounts) + "\n";
  }
}
