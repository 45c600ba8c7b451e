package zealoustarget.server.intake.upload;

import jakarta.persistence.EntityManager;
import java.time.Clock;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.hibernate.SessionFactory;
import org.hibernate.StatelessSession;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.json.JsonMapper;
import zealoustarget.server.intake.corrections.HeldLines;
import zealoustarget.server.intake.load.LoadRequest;
import zealoustarget.server.platform.Sha256;

/** Remembers how files with the same header were read, so that next month's needs no question. */
@Component
public class RememberedHeaders {
  /** What was decided, and for which file last. */
  record Remembered(LoadRequest request, String fileName) {}

  private final SessionFactory sessions;
  private final EntityManager entities;
  private final JsonMapper json;
  private final Clock clock;

  RememberedHeaders(SessionFactory sessions, EntityManager entities, JsonMapper json, Clock clock) {
    this.sessions = sessions;
    this.entities = entities;
    this.json = json;
    this.clock = clock;
  }

  /** What was last decided for files with these titles. */
  Optional<Remembered> find(List<String> titles) {
    try (StatelessSession session = sessions.openStatelessSession()) {
      return Optional.ofNullable(session.get(RememberedHeaderEntity.class, hash(titles)))
          .map(
              found ->
                  new Remembered(json.readValue(found.request, LoadRequest.class), found.fileName));
    }
  }

  /**
   * Remembers all but what belongs to one file alone: its control total and its fiscal year. In the
   * transaction that is under way, where one is.
   */
  @Transactional
  public void remember(List<String> titles, LoadRequest request, String fileName) {
    LoadRequest lasting =
        request
            .withControl(Map.of(), request.isTrailerControl())
            .withMeasure(request.measure(), null);
    RememberedHeaderEntity entity =
        new RememberedHeaderEntity(
            hash(titles), json.writeValueAsString(lasting), fileName, clock.instant());
    entities.merge(entity);
  }

  /** Titles in their order, case apart; the reason column of a remainder does not count. */
  private static String hash(List<String> titles) {
    String header =
        titles.stream()
            .map(title -> title.strip().toLowerCase(Locale.ROOT))
            .filter(title -> !title.equals(HeldLines.REASON))
            .collect(Collectors.joining("\u0000"));
    return Sha256.of(header);
  }
}
