package zealoustarget.server.briefing;

import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import zealoustarget.server.audit.Audit;
import zealoustarget.server.audit.AuditKind;
import zealoustarget.server.briefing.Block.Figure;
import zealoustarget.server.briefing.Block.FigureQuery;
import zealoustarget.server.intake.load.MonthLoads;
import zealoustarget.server.intake.load.MonthLoads.MonthLoad;

/** Says which load or change moved a claim. */
@Component
class Causes {
  private static final int MOST_TRIED = 5;
  private static final int MOST_NAMED = 3;

  private final MonthLoads loads;
  private final Audit audit;

  Causes(MonthLoads loads, Audit audit) {
    this.loads = loads;
    this.audit = audit;
  }

  /**
   * What moved a claim: the one load without which a figure would be what it was, else whatever was
   * posted, reversed or changed since its figures were read.
   *
   * @return in words; null where the claim holds, or nothing is known
   */
  @Nullable String of(
      Block block, Map<String, @Nullable String> now, FigureReader.Answers answers) {
    List<Figure> moved =
        block.figures().stream()
            .filter(figure -> !figure.value().equals(now.get(figure.id())))
            .toList();
    if (moved.isEmpty() || block.readAt() == null) {
      return null;
    }
    Instant read = Instant.parse(block.readAt());
    List<MonthLoad> since = loads.changedSince(read);
    for (Figure figure : moved) {
      MonthLoad did =
          since.stream()
              .filter(load -> load.isPosted() && figure.query().of().equals("standing"))
              .limit(MOST_TRIED)
              .filter(load -> figure.value().equals(without(load, figure.query(), answers)))
              .findFirst()
              .orElse(null);
      if (did != null) {
        return BriefingWords.wasPosted(did.file());
      }
    }
    List<String> changes =
        Stream.concat(
                since.stream()
                    .map(load -> BriefingWords.wasPostedAndReversed(load.file(), load.isPosted())),
                audit.entries("", AuditKind.RULES_CHANGED, 0, MOST_NAMED).stream()
                    .filter(entry -> Instant.parse(entry.at()).isAfter(read))
                    .map(entry -> BriefingWords.wereChanged(entry.subject(), entry.by())))
            .distinct()
            .toList();
    return changes.isEmpty()
        ? null
        : BriefingWords.andMoreChanges(
            String.join(", ", changes.subList(0, Math.min(changes.size(), MOST_NAMED))),
            changes.size(),
            MOST_NAMED,
            (changes.size() - MOST_NAMED));
  }

  private static @Nullable String without(
      MonthLoad load, FigureQuery query, FigureReader.Answers answers) {
    Map<String, Object> view = new LinkedHashMap<>(query.view());
    view.put("without", Integer.toString(load.id()));
    return Objects.requireNonNullElse(
        answers.value(new FigureQuery(query.of(), view, query.row(), query.field())), "");
  }
}
