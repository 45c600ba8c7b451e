package zealoustarget.server.rules.storage;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.ladder.Shading;
import zealoustarget.core.member.Axis;
import zealoustarget.server.rules.AttachedShading;
import zealoustarget.server.rules.Attachment;

/** Full-tone limits in whole smallest units, null for automatic ones. */
@Entity
@Table(name = "shading")
class ShadingEntity {
  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  Integer id;

  String measure;

  @Column(name = "goal_set")
  @Nullable String goalSet;

  @Enumerated(EnumType.STRING)
  @Nullable Axis axis;

  @Column(name = "good_limit")
  @Nullable Long goodLimit;

  @Column(name = "bad_limit")
  @Nullable Long badLimit;

  protected ShadingEntity() {}

  ShadingEntity(AttachedShading attached) {
    measure = attached.to().measure();
    goalSet = attached.to().goalSet();
    axis = attached.to().axis();
    goodLimit = units(attached.shading().goodLimit());
    badLimit = units(attached.shading().badLimit());
  }

  AttachedShading toAttached() {
    return new AttachedShading(
        new Attachment(measure, goalSet, axis), new Shading(ratio(goodLimit), ratio(badLimit)));
  }

  private static @Nullable Long units(@Nullable Ratio limit) {
    return limit == null ? null : limit.over().longValueExact();
  }

  private static @Nullable Ratio ratio(@Nullable Long units) {
    return units == null ? null : Ratio.of(units);
  }
}
