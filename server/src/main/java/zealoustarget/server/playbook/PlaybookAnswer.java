package zealoustarget.server.playbook;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.ladder.Ladder;
import zealoustarget.core.ladder.Rung;

/** The rules in the form that {@code PUT /api/v1/playbook} takes. */
record PlaybookAnswer(
    Company company, Calendar calendar, List<MeasurePart> measures, List<LadderPart> ladders) {
  record Company(String name) {}

  record Calendar(int startMonth, String yearNamedBy) {}

  record MeasurePart(String code, String unit, int scale, String direction) {}

  @JsonInclude(JsonInclude.Include.NON_NULL)
  record LadderPart(
      String measure, String goalSet, String axis, String scale, List<RungPart> rungs) {}

  @JsonInclude(JsonInclude.Include.NON_NULL)
  record RungPart(String name, String tone, String from, String bound) {}

  static PlaybookAnswer of(Playbook playbook) {
    return new PlaybookAnswer(
        new Company(playbook.companyName()),
        new Calendar(
            playbook.calendar().startMonth(),
            playbook.calendar().yearNamedBy().name().toLowerCase(Locale.ROOT)),
        playbook.measures().stream()
            .map(m -> new MeasurePart(m.code(), m.unit(), m.scale(), m.direction().name()))
            .toList(),
        Stream.concat(
                playbook.measures().stream()
                    .filter(measure -> !isReplaced(playbook, measure))
                    .map(m -> ladder(m.code(), null, null, Ladder.defaultOf(m.direction()))),
                playbook.ladders().stream()
                    .map(
                        a ->
                            ladder(
                                a.measure(),
                                a.goalSet(),
                                a.axis() == null ? null : a.axis().word(),
                                a.ladder())))
            .toList());
  }

  /** Whether a ladder for every goal set and axis stands in place of the measure's default. */
  private static boolean isReplaced(Playbook playbook, Measure measure) {
    return playbook.ladders().stream()
        .anyMatch(a -> a.measure().equals(measure.code()) && a.closeness() == 0);
  }

  private static LadderPart ladder(String measure, String goalSet, String axis, Ladder ladder) {
    return new LadderPart(
        measure,
        goalSet,
        axis,
        ladder.scale().word(),
        ladder.rungs().stream().map(PlaybookAnswer::rung).toList());
  }

  private static RungPart rung(Rung rung) {
    String tone = rung.tone().name().toLowerCase(Locale.ROOT);
    return rung.lowerBound() == null
        ? new RungPart(rung.name(), tone, null, null)
        : new RungPart(
            rung.name(), tone, rung.lowerBound().toText(), rung.above() ? "above" : "at or above");
  }
}
