package zealoustarget.server.ledger.storage;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import zealoustarget.core.intake.LoadRow;

/** A product's name and line. */
@Entity
@Table(name = "product_row")
public class ProductRowEntity {
  @Id long id;

  @Column(name = "load_id")
  int loadId;

  int line;

  @Column(name = "product_id")
  public int productId;

  public String name;

  @Column(name = "line_id")
  public int lineId;

  protected ProductRowEntity() {}

  ProductRowEntity(long id, int loadId, LoadRow.Product row) {
    this.id = id;
    this.loadId = loadId;
    this.line = row.line();
    this.productId = row.product();
    this.name = row.name();
    this.lineId = row.productLine();
  }

  /** All that it says, as a digest takes it in. */
  String text() {
    return line + "," + productId + "," + lineId + "," + name + "\n";
  }
}
