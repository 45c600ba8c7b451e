package zealoustarget.server.intake;

import java.util.EnumMap;
import java.util.HashMap;
import java.util.Map;
import zealoustarget.core.intake.Directory;
import zealoustarget.core.ledger.Ledger;
import zealoustarget.core.ledger.Members;
import zealoustarget.core.member.Axis;
import zealoustarget.core.member.Member;
import zealoustarget.server.roster.MemberStore;

/** Who is known to one file: the posted roster and product list of the moment it is read. */
final class StagingDirectory implements Directory {
  private final Members members;
  private final MemberStore store;
  private final Map<Axis, Map<String, Integer>> known = new EnumMap<>(Axis.class);
  private final Map<Axis, Map<String, Integer>> asked = new EnumMap<>(Axis.class);

  StagingDirectory(Ledger ledger, MemberStore store) {
    this.members = ledger.members();
    this.store = store;
    for (Axis axis : Axis.values()) {
      asked.put(axis, new HashMap<>());
      if (!axis.isItsOwnKey()) {
        known.put(axis, keysAndNames(axis));
      }
    }
  }

  @Override
  public int find(Axis axis, String text) {
    return asked.get(axis).computeIfAbsent(text, name -> look(axis, name));
  }

  @Override
  public int findOrAdd(Axis axis, String key) {
    return store.findOrAdd(axis, key);
  }

  @Override
  public boolean isOnRoster(int rep, int month) {
    return members.isOnRoster(rep, month);
  }

  private int look(Axis axis, String text) {
    return axis.isItsOwnKey()
        ? store.findOrAdd(axis, text)
        : known.get(axis).getOrDefault(MemberStore.fold(text), UNKNOWN);
  }

  /** Names that two members share are ambiguous; a key always wins over a name. */
  private Map<String, Integer> keysAndNames(Axis axis) {
    Map<String, Integer> ids = new HashMap<>();
    for (Member member : members.all(axis)) {
      ids.merge(MemberStore.fold(member.name()), member.id(), (one, other) -> AMBIGUOUS);
    }
    members.all(axis).forEach(member -> ids.put(MemberStore.fold(member.key()), member.id()));
    return ids;
  }
}
