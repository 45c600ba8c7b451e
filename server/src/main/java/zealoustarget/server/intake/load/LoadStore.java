package zealoustarget.server.intake.load;

import jakarta.persistence.EntityManager;
import java.time.Clock;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.hibernate.StatelessSession;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;
import zealoustarget.core.Refusal;
import zealoustarget.core.intake.Finding;
import zealoustarget.core.intake.FindingCode;
import zealoustarget.server.audit.Audit;
import zealoustarget.server.intake.corrections.FixEntity;
import zealoustarget.server.intake.corrections.Fixes;

/** Loads, their findings and goal sets in the database. */
@Component
public class LoadStore {
  private static final int MOST_TITLE = 255;

  private final EntityManager entities;
  private final JsonMapper json;
  private final Clock clock;

  LoadStore(EntityManager entities, JsonMapper json, Clock clock) {
    this.clock = clock;
    this.entities = entities;
    this.json = json;
  }

  @Transactional
  public LoadEntity add(LoadEntity load) {
    entities.persist(load);
    return load;
  }

  /** Changes a load in a transaction of its own. */
  @Transactional
  public LoadEntity change(int id, Consumer<LoadEntity> change) {
    LoadEntity load = entities.find(LoadEntity.class, id);
    change.accept(load);
    return load;
  }

  /** Finds a load; load-unknown. */
  @Transactional(readOnly = true)
  public LoadEntity get(int id) {
    LoadEntity load = entities.find(LoadEntity.class, id);
    if (load == null) {
      throw Refusal.of("load-unknown", LoadWords.noLoad(id));
    }
    return load;
  }

  /** A load that may be gone. */
  @Transactional(readOnly = true)
  public Optional<LoadEntity> find(int id) {
    return Optional.ofNullable(entities.find(LoadEntity.class, id));
  }

  @Transactional(readOnly = true)
  public boolean isEmpty() {
    return entities.createQuery("select count(*) from LoadEntity", Long.class).getSingleResult()
        == 0;
  }

  /** File names by load. */
  @Transactional(readOnly = true)
  public Map<Integer, String> fileNames() {
    return entities
        .createQuery("select id, fileName from LoadEntity", Object[].class)
        .getResultStream()
        .collect(Collectors.toMap(row -> (Integer) row[0], row -> (String) row[1]));
  }

  /** Loads with lines in a month. */
  @Transactional(readOnly = true)
  public List<LoadEntity> ofMonth(int month) {
    return entities
        .createQuery(
            "select load from LoadEntity load left join fetch load.sums"
                + " where load.firstMonth <= :month and load.lastMonth >= :month order by load.id desc",
            LoadEntity.class)
        .setParameter("month", month)
        .getResultList();
  }

  /** Loads that wait and of which no line is ready, so that nobody knows their months yet. */
  @Transactional(readOnly = true)
  public List<LoadEntity> withoutMonths() {
    return entities
        .createQuery(
            "select load from LoadEntity load left join fetch load.sums where load.firstMonth is"
                + " null and load.state in :states order by load.id desc",
            LoadEntity.class)
        .setParameter("states", List.of(LoadState.STAGED, LoadState.RECEIVED))
        .getResultList();
  }

  /** All loads, latest first. */
  @Transactional(readOnly = true)
  public List<LoadEntity> all() {
    return entities
        .createQuery(
            "select load from LoadEntity load left join fetch load.sums order by load.id desc",
            LoadEntity.class)
        .getResultList();
  }

  /** Loads in a state, in the order they came, with their sums. */
  @Transactional(readOnly = true)
  public List<LoadEntity> inState(LoadState state) {
    return entities
        .createQuery(
            "select load from LoadEntity load left join fetch load.sums where load.state = :state"
                + " order by load.id",
            LoadEntity.class)
        .setParameter("state", state)
        .getResultList();
  }

  /**
   * What to tell of a posted load.
   *
   * @param order its place in the order of posting
   * @param enteredBy who entered it on the goal sheet; null for a file
   */
  public record Posted(int order, String fileName, Instant at, @Nullable String enteredBy) {}

  /** A load, if it is posted. */
  @Transactional(readOnly = true)
  public Optional<Posted> findPosted(int id) {
    return find(id)
        .filter(load -> load.state == LoadState.POSTED)
        .map(load -> new Posted(load.postOrder, load.fileName, load.postedAt, load.enteredBy));
  }

  /** Entered goals that were not posted, as a halt left them. */
  @Transactional(readOnly = true)
  public List<LoadEntity> enteredUnposted() {
    return entities
        .createQuery(
            "from LoadEntity where enteredBy is not null and state in (:reading, :staged)",
            LoadEntity.class)
        .setParameter("reading", LoadState.READING)
        .setParameter("staged", LoadState.STAGED)
        .getResultList();
  }

  /** The latest other load with the same content that still counts or may. */
  @Transactional(readOnly = true)
  public Optional<LoadEntity> findSame(String contentHash, int exceptId) {
    return entities
        .createQuery(
            "from LoadEntity where contentHash = :hash and id <> :except"
                + " and state in (:staged, :posted) order by state, id desc",
            LoadEntity.class)
        .setParameter("hash", contentHash)
        .setParameter("except", exceptId)
        .setParameter("staged", LoadState.STAGED)
        .setParameter("posted", LoadState.POSTED)
        .setMaxResults(1)
        .getResultStream()
        .findFirst();
  }

  /** The next place in the order of posting. */
  @Transactional(readOnly = true)
  public int nextPostOrder() {
    return entities
        .createQuery("select coalesce(max(postOrder), 0) + 1 from LoadEntity", Integer.class)
        .getSingleResult();
  }

  /** Removes a load with what belongs to it; {@code together} runs in the same transaction. */
  @Transactional
  public void remove(int id, Runnable together) {
    LoadEntity load = entities.find(LoadEntity.class, id);
    if (load != null) {
      for (String entity :
          List.of("FindingEntity", "FixEntity", "SheetPartEntity", "SheetEntity")) {
        entities
            .createQuery("delete from " + entity + " where loadId = :id")
            .setParameter("id", id)
            .executeUpdate();
      }
      entities.remove(load);
    }
    together.run();
  }

  /** A remark that the same content is here already, or none. */
  @Transactional(readOnly = true)
  public List<Finding> sameFile(int loadId) {
    return findSame(get(loadId).contentHash, loadId)
        .map(
            same ->
                Finding.of(
                    1,
                    null,
                    FindingCode.SAME_FILE,
                    "load",
                    same.id + " (" + same.fileName + ")",
                    "state",
                    same.state.word()))
        .map(List::of)
        .orElse(List.of());
  }

  /** Deletes the findings of a load. */
  public void deleteFindings(StatelessSession session, int loadId) {
    session
        .createMutationQuery("delete from FindingEntity where id between :first and :last")
        .setParameter("first", (long) loadId << 32)
        .setParameter("last", ((long) loadId + 1 << 32) - 1)
        .executeUpdate();
  }

  /** Writes findings, numbered within the load from {@code firstNumber}. */
  public void writeFindings(
      StatelessSession session, int loadId, long firstNumber, List<Finding> findings, Fixes fixes) {
    long first = ((long) loadId << 32) + firstNumber;
    List<FindingEntity> rows = new ArrayList<>(findings.size());
    for (Finding finding : findings) {
      rows.add(
          new FindingEntity(
              first + rows.size(),
              loadId,
              finding.line(),
              cut(finding.column()),
              finding.code(),
              json.writeValueAsString(finding.details()),
              fixes.isAccepted(finding)));
    }
    session.insertMultiple(rows);
  }

  /** A finding as it is kept. */
  public record Kept(Finding finding, boolean isAccepted) {}

  /** The findings of a load, in the order of its lines. */
  @Transactional(readOnly = true)
  public List<Kept> findings(int loadId) {
    return entities
        .createQuery("from FindingEntity where loadId = :id order by line, id", FindingEntity.class)
        .setParameter("id", loadId)
        .getResultStream()
        .map(this::kept)
        .toList();
  }

  /** The findings of a stretch of lines. */
  @Transactional(readOnly = true)
  public List<Kept> findings(int loadId, int firstLine, int lastLineInclusive) {
    return entities
        .createQuery(
            "from FindingEntity where id between :first and :last and line between :from and :to"
                + " order by line, id",
            FindingEntity.class)
        .setParameter("first", (long) loadId << 32)
        .setParameter("last", ((long) loadId + 1 << 32) - 1)
        .setParameter("from", firstLine)
        .setParameter("to", lastLineInclusive)
        .getResultStream()
        .map(this::kept)
        .toList();
  }

  private Kept kept(FindingEntity row) {
    return new Kept(new Finding(row.line, row.columnTitle, row.code, details(row)), row.accepted);
  }

  /** The first findings about lines and columns of a load, in the order of its lines. */
  @Transactional(readOnly = true)
  public List<Finding> lineFindings(int loadId, int most) {
    List<FindingCode> ofFile =
        Stream.of(FindingCode.values()).filter(FindingCode::isOfFile).toList();
    return entities
        .createQuery(
            "from FindingEntity where loadId = :id and code not in :ofFile order by line, id",
            FindingEntity.class)
        .setParameter("id", loadId)
        .setParameter("ofFile", ofFile)
        .setMaxResults(most)
        .getResultStream()
        .map(row -> kept(row).finding())
        .toList();
  }

  /** All that was decided about a load's lines. */
  @Transactional(readOnly = true)
  public Fixes fixes(int loadId) {
    return new Fixes(
        entities
            .createQuery("from FixEntity where loadId = :id order by id", FixEntity.class)
            .setParameter("id", loadId)
            .getResultList());
  }

  /** Keeps what was decided, and who decided it when. */
  @Transactional
  public void addFixes(List<FixEntity> fixes) {
    Instant now = clock.instant().truncatedTo(ChronoUnit.MILLIS);
    for (FixEntity fix : fixes) {
      fix.decidedBy = Audit.who();
      fix.decidedAt = now;
      entities.persist(fix);
    }
  }

  /** Those of some loads of which lines were decided about. */
  @Transactional(readOnly = true)
  public List<Integer> decidedAmong(Collection<Integer> loadIds) {
    return entities
        .createQuery(
            "select distinct loadId from FixEntity where loadId in :ids order by loadId",
            Integer.class)
        .setParameter("ids", loadIds)
        .getResultList();
  }

  /** What was decided about some lines of a load, in order. */
  @Transactional(readOnly = true)
  public List<FixEntity> fixes(int loadId, @Nullable Collection<Integer> lines) {
    return entities
        .createQuery(
            "from FixEntity where loadId = :id and line in :lines order by id", FixEntity.class)
        .setParameter("id", loadId)
        .setParameter("lines", lines)
        .getResultList();
  }

  /** Takes back what was last decided about a line, or about all lines. */
  @Transactional
  public void removeFixes(int loadId, Integer line) {
    String ofLine = line == null ? "" : " and line = " + line;
    entities
        .createQuery("delete from FixEntity where loadId = :id" + ofLine)
        .setParameter("id", loadId)
        .executeUpdate();
  }

  /** Whether any load has that content. */
  @Transactional(readOnly = true)
  public boolean hasContent(String contentHash) {
    return entities
            .createQuery("select count(*) from LoadEntity where contentHash = :hash", Long.class)
            .setParameter("hash", contentHash)
            .getSingleResult()
        > 0;
  }

  private Map<String, String> details(FindingEntity row) {
    return json.readValue(row.details, new TypeReference<Map<String, String>>() {});
  }

  private static @Nullable String cut(@Nullable String title) {
    return title == null || title.length() <= MOST_TITLE ? title : title.substring(0, MOST_TITLE);
  }
}
