package zealoustarget.server.intake;

import java.util.EnumMap;
import java.util.HashMap;
import java.util.Map;
import java.util.OptionalInt;
import org.hibernate.SessionFactory;
import org.hibernate.StatelessSession;
import org.springframework.stereotype.Component;
import zealoustarget.core.member.Axis;
import zealoustarget.core.member.KeyText;

/** Other names that were accepted for members, remembered for every file to come. */
@Component
class AliasStore {
  private final SessionFactory sessions;
  private final Map<Axis, Map<String, Integer>> memberByText = new EnumMap<>(Axis.class);

  AliasStore(SessionFactory sessions) {
    this.sessions = sessions;
    try (StatelessSession session = sessions.openStatelessSession()) {
      session.createSelectionQuery("from AliasEntity", AliasEntity.class).list().forEach(this::put);
    }
  }

  /** The member that a name was accepted for. */
  synchronized OptionalInt find(Axis axis, String text) {
    Integer member = memberByText.getOrDefault(axis, Map.of()).get(KeyText.fold(text));
    return member == null ? OptionalInt.empty() : OptionalInt.of(member);
  }

  /** Accepts a name for a member, in place of whom it stood for before. */
  synchronized void accept(Axis axis, String text, int memberId) {
    AliasEntity alias = new AliasEntity(axis, KeyText.fold(text), memberId);
    sessions.inStatelessTransaction(session -> session.upsert(alias));
    put(alias);
  }

  private void put(AliasEntity alias) {
    memberByText
        .computeIfAbsent(alias.axis, axis -> new HashMap<>())
        .put(alias.foldedText, alias.memberId);
  }
}
