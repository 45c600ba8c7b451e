package zealoustarget.server.masterdata;

import java.time.Clock;
import java.time.temporal.ChronoUnit;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.OptionalInt;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;
import zealoustarget.core.Refusal;
import zealoustarget.core.member.Axis;
import zealoustarget.core.member.KeyText;
import zealoustarget.core.member.Member;
import zealoustarget.server.audit.Audit;
import zealoustarget.server.audit.AuditKind;

/** Other names that were accepted for members, remembered for every file to come. */
@Component
public class AliasStore {
  /**
   * An accepted name.
   *
   * @param member key of whom it stands for
   * @param acceptedBy null for one of an older version, as is {@code acceptedAt}
   */
  record Alias(
      String axis,
      String text,
      String member,
      @Nullable String acceptedBy,
      @Nullable String acceptedAt) {}

  private final AliasRepository names;
  private final TransactionTemplate transactions;
  private final MemberStore members;
  private final Audit audit;
  private final Clock clock;
  private final Map<Axis, Map<String, AliasEntity>> byText = new EnumMap<>(Axis.class);

  AliasStore(
      AliasRepository names,
      TransactionTemplate transactions,
      MemberStore members,
      Audit audit,
      Clock clock) {
    this.names = names;
    this.transactions = transactions;
    this.members = members;
    this.audit = audit;
    this.clock = clock;
    names.findAll().forEach(this::put);
  }

  /** The member that a name was accepted for. */
  public synchronized OptionalInt find(Axis axis, String text) {
    AliasEntity alias = byText.getOrDefault(axis, Map.of()).get(KeyText.fold(text));
    return alias == null ? OptionalInt.empty() : OptionalInt.of(alias.memberId);
  }

  /** All accepted names, by axis and name. */
  synchronized List<Alias> all() {
    return byText.values().stream()
        .flatMap(ofAxis -> ofAxis.values().stream())
        .map(this::alias)
        .sorted(Comparator.comparing(Alias::axis).thenComparing(Alias::text))
        .toList();
  }

  private Alias alias(AliasEntity entity) {
    return new Alias(
        entity.axis.word(),
        entity.written == null ? entity.foldedText : entity.written,
        members.key(entity.memberId),
        entity.acceptedBy,
        entity.acceptedAt == null ? null : entity.acceptedAt.toString());
  }

  /** Accepts a name for a member, in place of whom it stood for before. */
  public synchronized void accept(Axis axis, String text, Member member) {
    AliasEntity before = byText.getOrDefault(axis, Map.of()).get(KeyText.fold(text));
    AliasEntity alias =
        new AliasEntity(
            axis, text, member.id(), Audit.who(), clock.instant().truncatedTo(ChronoUnit.MILLIS));
    transactions.executeWithoutResult(
        status -> {
          names.save(alias);
          audit.add(
              AuditKind.NAME,
              axis.word() + " \"" + alias.written + "\"",
              before == null ? null : members.key(before.memberId),
              member.key());
        });
    put(alias);
  }

  /**
   * Takes an accepted name back; files to come do not know it any more.
   *
   * @throws Refusal name-unknown
   */
  synchronized void revoke(Axis axis, String text) {
    AliasEntity alias = byText.getOrDefault(axis, Map.of()).get(KeyText.fold(text));
    if (alias == null) {
      throw Refusal.of("name-unknown", MasterdataWords.isNotAccepted(text, axis.word()));
    }
    transactions.executeWithoutResult(
        status -> {
          names.deleteById(new AliasEntity.Key(axis, alias.foldedText));
          Alias said = alias(alias);
          audit.add(AuditKind.NAME, axis.word() + " \"" + said.text() + "\"", said.member(), null);
        });
    Objects.requireNonNull(byText.get(axis)).remove(alias.foldedText);
  }

  private void put(AliasEntity alias) {
    byText.computeIfAbsent(alias.axis, axis -> new HashMap<>()).put(alias.foldedText, alias);
  }
}
