package zealoustarget.server.ledger;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.LocalDate;

/** One row of actuals of a load; see the table's comment. */
@Entity
@Table(name = "actual_row")
class ActualRowEntity {
  @Id long id;

  @Column(name = "load_id")
  int loadId;

  int line;

  @Column(name = "booking_month")
  int bookingMonth;

  @Column(name = "booking_day")
  LocalDate bookingDay;

  @Column(name = "rep_id")
  int repId;

  @Column(name = "region_id")
  int regionId;

  @Column(name = "product_id")
  int productId;

  @Column(name = "order_key")
  String orderKey;

  long[] amounts;

  /** Read only by Hibernate; RowStore writes these rows by batch. */
  protected ActualRowEntity() {}
}
