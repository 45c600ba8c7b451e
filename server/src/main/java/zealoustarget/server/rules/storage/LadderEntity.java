package zealoustarget.server.rules.storage;

import jakarta.persistence.CollectionTable;
import jakarta.persistence.Column;
import jakarta.persistence.ElementCollection;
import jakarta.persistence.Embeddable;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.FetchType;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.JoinColumn;
import jakarta.persistence.OrderColumn;
import jakarta.persistence.Table;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.ladder.Ladder;
import zealoustarget.core.ladder.Rung;
import zealoustarget.core.ladder.Scale;
import zealoustarget.core.ladder.Tone;
import zealoustarget.core.member.Axis;
import zealoustarget.server.rules.AttachedLadder;
import zealoustarget.server.rules.Attachment;

/** A ladder that replaces a default, with its rungs. */
@Entity
@Table(name = "ladder")
class LadderEntity {
  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  Integer id;

  String measure;

  @Column(name = "goal_set")
  @Nullable String goalSet;

  @Enumerated(EnumType.STRING)
  @Nullable Axis axis;

  @Enumerated(EnumType.STRING)
  Scale scale;

  @Column(name = "per_month")
  boolean perMonth;

  /** Year × 12 + month − 1; null for every month. */
  @Column(name = "since_month")
  @Nullable Integer sinceMonth;

  @ElementCollection(fetch = FetchType.EAGER)
  @CollectionTable(name = "rung", joinColumns = @JoinColumn(name = "ladder_id"))
  @OrderColumn(name = "place")
  List<RungPart> rungs = new ArrayList<>();

  protected LadderEntity() {}

  LadderEntity(AttachedLadder attached) {
    measure = attached.to().measure();
    goalSet = attached.to().goalSet();
    axis = attached.to().axis();
    sinceMonth = attached.since() == null ? null : Months.number(attached.since());
    scale = attached.ladder().scale();
    perMonth = attached.ladder().perMonth();
    attached.ladder().rungs().forEach(rung -> rungs.add(new RungPart(rung)));
  }

  AttachedLadder toAttached() {
    return new AttachedLadder(
        new Attachment(measure, goalSet, axis),
        sinceMonth == null ? null : Months.of(sinceMonth),
        new Ladder(scale, rungs.stream().map(RungPart::toRung).toList(), perMonth));
  }

  /** One rung; the bound as an exact quotient. */
  @Embeddable
  static class RungPart {
    String name;

    @Enumerated(EnumType.STRING)
    Tone tone;

    @Column(name = "lower_bound")
    @Nullable String lowerBound;

    @Column(name = "is_above")
    boolean isAbove;

    protected RungPart() {}

    RungPart(Rung rung) {
      name = rung.name();
      tone = rung.tone();
      lowerBound = rung.lowerBound() == null ? null : rung.lowerBound().toText();
      isAbove = rung.above();
    }

    Rung toRung() {
      return new Rung(name, tone, lowerBound == null ? null : Ratio.parse(lowerBound), isAbove);
    }
  }
}
