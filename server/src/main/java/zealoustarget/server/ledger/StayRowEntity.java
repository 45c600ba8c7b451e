package zealoustarget.server.ledger;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import zealoustarget.core.intake.LoadRow;

/** A rep's place from a month on. */
@Entity
@Table(name = "stay_row")
class StayRowEntity {
  @Id long id;

  @Column(name = "load_id")
  int loadId;

  int line;

  @Column(name = "rep_id")
  int repId;

  String name;

  @Column(name = "region_id")
  int regionId;

  @Column(name = "manager_id")
  int managerId;

  @Column(name = "from_month")
  int fromMonth;

  @Column(name = "until_month")
  Integer untilMonth;

  String mail;

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
