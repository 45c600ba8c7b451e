package zealoustarget.server.ledger.storage;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.intake.LoadRow;

/** A rep's place from a month on. */
@Entity
@Table(name = "stay_row")
public class StayRowEntity {
  @Id long id;

  @Column(name = "load_id")
  int loadId;

  int line;

  @Column(name = "rep_id")
  public int repId;

  public String name;

  @Column(name = "region_id")
  public int regionId;

  @Column(name = "manager_id")
  public int managerId;

  @Column(name = "from_month")
  public int fromMonth;

  @Column(name = "until_month")
  public @Nullable Integer untilMonth;

  public @Nullable String mail;

  protected StayRowEntity() {}

  StayRowEntity(long id, int loadId, LoadRow.RosterAssignment row) {
    this.id = id;
    this.loadId = loadId;
    this.line = row.line();
    this.repId = row.rep();
    this.name = row.name();
    this.regionId = row.region();
    this.managerId = row.manager();
    this.fromMonth = row.fromMonth();
    this.untilMonth = row.untilMonth();
    this.mail = row.mail();
  }

  /** All that it says, as a digest takes it in. */
  String text() {
    return String.join(
            "\u001f",
            line
                + ","
                + repId
                + ","
                + regionId
                + ","
                + managerId
                + ","
                + fromMonth
                + ","
                + untilMonth,
            name,
            String.valueOf(mail))
        + "\n";
  }
}
