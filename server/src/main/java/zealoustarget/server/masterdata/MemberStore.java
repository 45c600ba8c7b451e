package zealoustarget.server.masterdata;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import org.hibernate.SessionFactory;
import org.hibernate.StatelessSession;
import org.springframework.stereotype.Component;
import zealoustarget.core.member.Axis;
import zealoustarget.core.member.KeyText;

/**
 * Gives every key of every axis its number, once and for good.
 *
 * <p>New keys are kept in memory until {@link #flush}, which a load calls before it writes rows
 * that hold their numbers; so a roster of thousands is written in batches.
 */
@Component
public class MemberStore {
  private final SessionFactory sessions;
  private final Map<Axis, Map<String, Integer>> idByFoldedKey = new EnumMap<>(Axis.class);
  private final Map<Integer, String> keyById = new HashMap<>();
  private final List<MemberEntity> unwritten = new ArrayList<>();
  private int lastId;

  MemberStore(SessionFactory sessions) {
    this.sessions = sessions;
    try (StatelessSession session = sessions.openStatelessSession()) {
      session
          .createSelectionQuery("from MemberEntity", MemberEntity.class)
          .list()
          .forEach(this::remember);
    }
  }

  /** The number of a key, if a file ever named it. */
  public synchronized OptionalInt find(Axis axis, String key) {
    Integer id = idByFoldedKey.getOrDefault(axis, Map.of()).get(KeyText.fold(key));
    return id == null ? OptionalInt.empty() : OptionalInt.of(id);
  }

  /** The number of a key, a new one where nobody named it before. */
  public synchronized int findOrAdd(Axis axis, String key) {
    OptionalInt found = find(axis, key);
    if (found.isPresent()) {
      return found.getAsInt();
    }
    MemberEntity added = new MemberEntity(lastId + 1, axis, KeyText.normal(key), KeyText.fold(key));
    remember(added);
    unwritten.add(added);
    return added.id;
  }

  /** The key as it was first written. */
  public synchronized String key(int id) {
    return keyById.getOrDefault(id, "#" + id);
  }

  /** Writes the keys that are new since the last time, in one transaction. */
  public synchronized void flush() {
    if (unwritten.isEmpty()) {
      return;
    }
    sessions.inStatelessTransaction(session -> session.insertMultiple(List.copyOf(unwritten)));
    unwritten.clear();
  }

  private void remember(MemberEntity member) {
    idByFoldedKey
        .computeIfAbsent(member.axis, axis -> new HashMap<>())
        .putIfAbsent(KeyText.fold(member.memberKey), member.id);
    keyById.put(member.id, member.memberKey);
    lastId = Math.max(lastId, member.id);
  }
}
