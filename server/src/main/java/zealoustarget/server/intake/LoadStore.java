package zealoustarget.server.intake;

import jakarta.persistence.EntityManager;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import org.hibernate.SessionFactory;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;
import zealoustarget.core.Refusal;
import zealoustarget.core.intake.Finding;
import zealoustarget.core.member.Axis;
import zealoustarget.server.roster.MemberStore;

/** Loads, their findings and goal sets in the database. */
@Component
class LoadStore {
  private static final int MOST_TITLE = 255;

  private final EntityManager entities;
  private final SessionFactory sessions;
  private final JsonMapper json;

  LoadStore(EntityManager entities, SessionFactory sessions, JsonMapper json) {
    this.entities = entities;
    this.sessions = sessions;
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

  @Transactional(readOnly = true)
  public LoadEntity get(int id) {
    LoadEntity load = entities.find(LoadEntity.class, id);
    if (load == null || load.state == LoadState.READING) {
      throw Refusal.of("load-unknown", "There is no load " + id + ".");
    }
    return load;
  }

  /** All loads that were read to the end, latest first. */
  @Transactional(readOnly = true)
  public List<LoadEntity> all() {
    return entities
        .createQuery("from LoadEntity where state <> :reading order by id desc", LoadEntity.class)
        .setParameter("reading", LoadState.READING)
        .getResultList();
  }

  @Transactional(readOnly = true)
  public List<LoadEntity> inState(LoadState state) {
    return entities
        .createQuery("from LoadEntity where state = :state order by id", LoadEntity.class)
        .setParameter("state", state)
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

  @Transactional
  public void remove(int id) {
    LoadEntity load = entities.find(LoadEntity.class, id);
    if (load != null) {
      entities
          .createQuery("delete from FindingEntity where loadId = :id")
          .setParameter("id", id)
          .executeUpdate();
      entities.remove(load);
    }
  }

  /**
   * The goal set of that name, made where it is new.
   *
   * @throws Refusal goal-set-axis if it has goals of another axis
   */
  @Transactional
  public GoalSetEntity goalSet(String name, Axis axis) {
    Optional<GoalSetEntity> found = findGoalSet(name);
    if (found.isEmpty()) {
      GoalSetEntity added = new GoalSetEntity(name.strip(), axis);
      entities.persist(added);
      return added;
    }
    GoalSetEntity set = found.get();
    if (set.axis != axis) {
      throw Refusal.of(
              "goal-set-axis",
              "\""
                  + set.name
                  + "\" holds goals by "
                  + set.axis.word()
                  + ". Give goals by "
                  + axis.word()
                  + " a set with another name.")
          .with("axis", set.axis.word());
    }
    return set;
  }

  @Transactional(readOnly = true)
  public Optional<GoalSetEntity> findGoalSet(String name) {
    return entities
        .createQuery("from GoalSetEntity where foldedName = :name", GoalSetEntity.class)
        .setParameter("name", MemberStore.fold(name))
        .getResultStream()
        .findFirst();
  }

  /** Writes findings, numbered within the load from {@code firstNumber}. */
  void writeFindings(int loadId, long firstNumber, List<Finding> findings) {
    long first = ((long) loadId << 32) + firstNumber;
    List<FindingEntity> rows = new java.util.ArrayList<>(findings.size());
    for (Finding finding : findings) {
      rows.add(
          new FindingEntity(
              first + rows.size(),
              loadId,
              finding.line(),
              cut(finding.column()),
              finding.code(),
              json.writeValueAsString(finding.details())));
    }
    sessions.inStatelessTransaction(session -> session.insertMultiple(rows));
  }

  /** The first findings of a load, in the order of its lines. */
  @Transactional(readOnly = true)
  public List<Finding> findings(int loadId, int most) {
    return entities
        .createQuery("from FindingEntity where loadId = :id order by line, id", FindingEntity.class)
        .setParameter("id", loadId)
        .setMaxResults(most)
        .getResultStream()
        .map(row -> new Finding(row.line, row.columnTitle, row.code, details(row)))
        .toList();
  }

  private Map<String, String> details(FindingEntity row) {
    return json.readValue(row.details, new TypeReference<Map<String, String>>() {});
  }

  private static String cut(String title) {
    return title == null || title.length() <= MOST_TITLE ? title : title.substring(0, MOST_TITLE);
  }
}
