package zealoustarget.server.audit;

import jakarta.persistence.EntityManager;
import java.time.Clock;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;
import org.springframework.security.authentication.AnonymousAuthenticationToken;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import org.springframework.transaction.support.TransactionTemplate;

/** The trail of what was done: entries are added and read, nothing else. */
@Component
public class Audit {
  private static final int LONGEST_SUBJECT = 400;
  private static final int LONGEST_TEXT = 100_000;
  private static final int AT_ONCE = 200;

  private final EntityManager entities;
  private final Clock clock;
  private final HeadFile file;
  private final TransactionTemplate transactions;

  Audit(EntityManager entities, Clock clock, HeadFile file, TransactionTemplate transactions) {
    this.transactions = transactions;
    this.file = file;
    this.entities = entities;
    this.clock = clock;
  }

  /**
   * One entry.
   *
   * @param at ISO 8601 in UTC
   * @param before null where there was nothing
   * @param after null where nothing is left
   * @param hash that the next entry holds
   */
  public record Entry(
      long id,
      String at,
      String by,
      String kind,
      String subject,
      @Nullable String before,
      @Nullable String after,
      @Nullable String hash) {}

  /** Adds an entry, in the transaction of the change where there is one. */
  @Transactional
  public void add(AuditKind kind, String subject, @Nullable String before, @Nullable String after) {
    add(kind, null, subject, before, after);
  }

  /**
   * The same about a load.
   *
   * @param loadId null where it is about none
   */
  @Transactional
  public void add(
      AuditKind kind,
      @Nullable Integer loadId,
      String subject,
      @Nullable String before,
      @Nullable String after) {
    AuditEntity entry =
        new AuditEntity(
            clock.instant().truncatedTo(ChronoUnit.MILLIS),
            who(),
            kind,
            Objects.requireNonNull(cut(subject, LONGEST_SUBJECT)),
            cut(before, LONGEST_TEXT),
            cut(after, LONGEST_TEXT),
            loadId);
    Object[] last = // locked until the transaction ends: entries are linked one after the other
        (Object[])
            entities
                .createNativeQuery("select place, hash from record_head where id = 1 for update")
                .getSingleResult();
    entry.link(((Number) last[0]).longValue() + 1, (String) last[1]);
    entities.persist(entry);
    entities
        .createNativeQuery("update record_head set place = :place, hash = :hash where id = 1")
        .setParameter("place", entry.place)
        .setParameter("hash", entry.hash)
        .executeUpdate();
    TransactionSynchronizationManager.registerSynchronization(
        new TransactionSynchronization() {
          @Override
          public void afterCommit() {
            file.write(entry.place);
          }
        });
  }

  /** Name of the account that acts; the application's own where none does. */
  public static String who() {
    Authentication acting = SecurityContextHolder.getContext().getAuthentication();
    return acting == null || acting instanceof AnonymousAuthenticationToken
        ? "application"
        : acting.getName();
  }

  private static @Nullable String cut(@Nullable String text, int most) {
    return text == null || text.length() <= most ? text : text.substring(0, most - 1) + "…";
  }

  /**
   * Entries that hold a text, latest first.
   *
   * @param text part of subject, before or after; empty for all
   * @param kind null for all
   */
  @Transactional(readOnly = true)
  public List<Entry> entries(String text, @Nullable AuditKind kind, int first, int most) {
    return rows(Long.MAX_VALUE, text, kind, first, most).stream().map(Audit::entry).toList();
  }

  /**
   * The same entries one after the other, read a few at a time.
   *
   * @param end as {@link #end} said when it was asked for
   * @param most of them
   */
  public void eachEntry(
      long end, String text, @Nullable AuditKind kind, int most, Consumer<Entry> reader) {
    long before = end;
    List<AuditEntity> some = List.of();
    for (int read = 0; read < most; read += some.size()) {
      long from = before;
      some = transactions.execute(status -> rows(from, text, kind, 0, AT_ONCE));
      if (some.isEmpty()) {
        return;
      }
      some.stream().limit(most - read).map(Audit::entry).forEach(reader);
      before = some.get(some.size() - 1).id;
    }
  }

  /** Where the trail ends now: entries that come later are behind it. */
  @Transactional(readOnly = true)
  public long end() {
    return entities
        .createQuery("select coalesce(max(id), 0) + 1 from AuditEntity", Long.class)
        .getSingleResult();
  }

  private List<AuditEntity> rows(
      long before, String text, @Nullable AuditKind kind, int first, int most) {
    return entities
        .createQuery(
            "from AuditEntity where id < :before and (:kind is null or kind = :kind)"
                + " and (:text = '' or lower(subject) like :like escape '!'"
                + " or lower(before) like :like escape '!'"
                + " or lower(after) like :like escape '!') order by id desc",
            AuditEntity.class)
        .setParameter("before", before)
        .setParameter("kind", kind)
        .setParameter("text", text.strip())
        .setParameter("like", "%" + escaped(text.strip().toLowerCase(Locale.ROOT)) + "%")
        .setFirstResult(first)
        .setMaxResults(most)
        .getResultList();
  }

  private static String escaped(String text) {
    return text.replace("!", "!!").replace("%", "!%").replace("_", "!_");
  }

  private static Entry entry(AuditEntity row) {
    return new Entry(
        row.place,
        row.at.toString(),
        row.by,
        row.kind.word(),
        row.subject,
        row.before,
        row.after,
        row.hash);
  }
}
