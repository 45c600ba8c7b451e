package zealoustarget.server.playbook;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.calendar.FiscalCalendar;
import zealoustarget.core.ladder.Ladder;
import zealoustarget.core.member.Axis;

/**
 * The company's rules in force. Immutable.
 *
 * @param measures by code
 * @param ladders those that replace a default
 */
public record Playbook(
    String companyName,
    FiscalCalendar calendar,
    List<Measure> measures,
    List<AttachedLadder> ladders) {

  /** Finds a measure by its code; case makes no difference. */
  public Optional<Measure> findMeasure(String code) {
    return measures.stream().filter(m -> m.code().equalsIgnoreCase(code.strip())).findFirst();
  }

  /** The ladder that judges: the most closely attached one, else the direction's default. */
  public Ladder ladder(Measure measure, String goalSet, Axis axis) {
    return ladders.stream()
        .filter(attached -> attached.judges(measure.code(), goalSet, axis))
        .max(Comparator.comparingInt(AttachedLadder::closeness))
        .map(AttachedLadder::ladder)
        .orElseGet(() -> Ladder.defaultOf(measure.direction()));
  }

  /** The words for what the deciding ladder is attached to, or that it is the default. */
  public String ladderWords(Measure measure, String goalSet, Axis axis) {
    return ladders.stream()
        .filter(attached -> attached.judges(measure.code(), goalSet, axis))
        .max(Comparator.comparingInt(AttachedLadder::closeness))
        .map(AttachedLadder::words)
        .orElse("default for " + measure.direction().name().toLowerCase(java.util.Locale.ROOT));
  }

  Playbook withCompanyName(String name) {
    return new Playbook(name, calendar, measures, ladders);
  }

  Playbook withCalendar(FiscalCalendar other) {
    return new Playbook(companyName, other, measures, ladders);
  }

  /** With a measure added, or replaced where the code is there. */
  Playbook withMeasure(Measure measure) {
    List<Measure> all = new ArrayList<>(measures);
    all.removeIf(known -> known.code().equalsIgnoreCase(measure.code()));
    all.add(measure);
    all.sort(Comparator.comparing(Measure::code));
    return new Playbook(companyName, calendar, List.copyOf(all), ladders);
  }

  /** With a ladder added, or replaced where one is attached in the same way. */
  Playbook withLadder(AttachedLadder ladder) {
    List<AttachedLadder> all = new ArrayList<>(ladders);
    all.removeIf(known -> known.isAttachedAs(ladder));
    all.add(ladder);
    return new Playbook(companyName, calendar, measures, List.copyOf(all));
  }
}
