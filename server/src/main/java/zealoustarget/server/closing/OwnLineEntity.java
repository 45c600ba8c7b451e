package zealoustarget.server.closing;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import org.jspecify.annotations.Nullable;

/** A line of the close list that the company added itself. */
@Entity
@Table(name = "close_line")
class OwnLineEntity {
  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  Integer id;

  String name;

  @Column(name = "first_month")
  int firstMonth;

  /** Null where it comes again every month. */
  @Column(name = "last_month")
  @Nullable Integer lastMonth;

  @Column(name = "made_by")
  String by;

  protected OwnLineEntity() {}

  OwnLineEntity(String name, int firstMonth, @Nullable Integer lastMonth, String by) {
    this.name = name;
    this.firstMonth = firstMonth;
    this.lastMonth = lastMonth;
    this.by = by;
  }
}
