package zealoustarget.server.intake.upload;

import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.OptionalInt;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.intake.Directory;
import zealoustarget.core.intake.values.NameMatch;
import zealoustarget.core.ledger.Ledger;
import zealoustarget.core.ledger.columns.Members;
import zealoustarget.core.member.Axis;
import zealoustarget.core.member.KeyText;
import zealoustarget.core.member.Member;
import zealoustarget.server.masterdata.AliasStore;
import zealoustarget.server.masterdata.MemberStore;

/** Who is known to one file: the posted roster and product list of the moment it is read. */
public final class StagingDirectory implements Directory {
  private final Members members;
  private final MemberStore store;
  private final Map<Axis, Map<String, Integer>> known = new EnumMap<>(Axis.class);
  private final Map<Axis, Map<String, Integer>> asked = new EnumMap<>(Axis.class);
  private final Map<Axis, Map<String, String>> alike = new EnumMap<>(Axis.class);
  private final AliasStore aliases;

  /** Knows the members of a ledger, and those that the file itself brings. */
  public StagingDirectory(Ledger ledger, MemberStore store, AliasStore aliases) {
    this.members = ledger.members();
    this.store = store;
    this.aliases = aliases;
    for (Axis axis : Axis.values()) {
      asked.put(axis, new HashMap<>());
      alike.put(axis, new HashMap<>());
    }
  }

  @Override
  public int find(Axis axis, String text) {
    return Objects.requireNonNull(asked.get(axis)).computeIfAbsent(text, name -> look(axis, name));
  }

  @Override
  public int findOrAdd(Axis axis, String key) {
    return store.findOrAdd(axis, key);
  }

  @Override
  public boolean isOnRoster(int rep, int month) {
    return members.isOnRoster(rep, month);
  }

  @Override
  public boolean isKnown(Axis axis, String text) {
    return axis.isItsOwnKey()
        ? members.findByKey(axis, text).isPresent()
        : known(axis).containsKey(KeyText.fold(text));
  }

  @Override
  public @Nullable Tenure tenure(int rep) {
    List<Members.RosterAssignment> stays = members.stays(rep);
    return stays.isEmpty()
        ? null
        : new Tenure(stays.get(0).fromMonth(), stays.get(stays.size() - 1).untilMonth());
  }

  @Override
  public @Nullable String findLike(Axis axis, String text) {
    String like =
        Objects.requireNonNull(alike.get(axis))
            .computeIfAbsent(
                text,
                name ->
                    members.findByKey(axis, name).isPresent()
                            || aliases.find(axis, name).isPresent()
                        ? ""
                        : NameMatch.near(name, members.all(axis), 1).stream()
                            .map(Member::name)
                            .findFirst()
                            .orElse(""));
    return like.isEmpty() ? null : like;
  }

  /** By key, then by name; an accepted name only where neither is known. */
  private int look(Axis axis, String text) {
    OptionalInt alias = aliases.find(axis, text);
    if (axis.isItsOwnKey()) {
      return alias.isPresent() && members.findByKey(axis, text).isEmpty()
          ? alias.getAsInt()
          : store.findOrAdd(axis, text);
    }
    int found = known(axis).getOrDefault(KeyText.fold(text), UNKNOWN);
    boolean isAliased = found < 0 && alias.isPresent() && members.isKnown(axis, alias.getAsInt());
    return isAliased ? alias.getAsInt() : found;
  }

  /** Folded once it is asked for: a header that says all by itself needs none of it. */
  private Map<String, Integer> known(Axis axis) {
    return known.computeIfAbsent(axis, this::keysAndNames);
  }

  /** Names that two members share are ambiguous; a key always wins over a name. */
  private Map<String, Integer> keysAndNames(Axis axis) {
    Map<String, Integer> ids = new HashMap<>();
    for (Member member : members.all(axis)) {
      ids.merge(KeyText.fold(member.name()), member.id(), (one, other) -> AMBIGUOUS);
    }
    members.all(axis).forEach(member -> ids.put(KeyText.fold(member.key()), member.id()));
    return ids;
  }
}
