package zealoustarget.server.masterdata;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import zealoustarget.core.member.Axis;
import zealoustarget.core.member.KeyText;

/** A named set of goals of one axis. */
@Entity
@Table(name = "goal_set")
public class GoalSetEntity {
  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  Integer id;

  public String name;

  @Column(name = "folded_name")
  String foldedName;

  @Enumerated(EnumType.STRING)
  public Axis axis;

  @Column(name = "retired")
  boolean isRetired;

  protected GoalSetEntity() {}

  public GoalSetEntity(String name, Axis axis) {
    this.name = name;
    this.foldedName = KeyText.fold(name);
    this.axis = axis;
  }
}
