package zealoustarget.server.intake.load;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.IdClass;
import jakarta.persistence.JoinColumn;
import jakarta.persistence.ManyToOne;
import jakarta.persistence.Table;
import java.io.Serializable;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.intake.Reconciliation;

/** Sums of one measure of a load, and the control total given for it. */
@Entity
@Table(name = "load_sum")
@IdClass(LoadSumEntity.Key.class)
public class LoadSumEntity {
  /** Load and place in the rows' amounts. */
  record Key(Integer load, int place) implements Serializable {}

  @Id
  @ManyToOne
  @JoinColumn(name = "load_id")
  LoadEntity load;

  @Id int place;
  public String measure;
  public long ready;
  public long held;

  @Column(name = "left_out")
  public long leftOut;

  @Column(name = "control_given")
  public @Nullable Long controlGiven;

  protected LoadSumEntity() {}

  /** The sums of one measure of a load, at its place among them. */
  public LoadSumEntity(
      LoadEntity load,
      int place,
      String measure,
      Reconciliation.Sums sums,
      @Nullable Long controlGiven) {
    this.load = load;
    this.place = place;
    this.measure = measure;
    this.ready = sums.ready();
    this.held = sums.held();
    this.leftOut = sums.leftOut();
    this.controlGiven = controlGiven;
  }

  public Reconciliation.Sums sums() {
    return new Reconciliation.Sums(ready, held, leftOut);
  }

  /** Whether the lines that are not left out add to the control total, if one was given. */
  public boolean isMet() {
    return controlGiven == null || sums().data() == controlGiven;
  }
}
