package zealoustarget.server.briefing;

import jakarta.persistence.EntityManager;
import java.time.Clock;
import java.time.Instant;
import java.time.YearMonth;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import zealoustarget.core.Refusal;
import zealoustarget.core.calendar.Months;
import zealoustarget.server.audit.Audit;
import zealoustarget.server.audit.AuditKind;
import zealoustarget.server.closing.CloseList;

/** Briefings in the database; every step is in the audit log. */
@Component
class BriefingStore implements CloseList.SignedBriefings {
  private final EntityManager entities;
  private final Audit audit;
  private final Clock clock;

  BriefingStore(EntityManager entities, Audit audit, Clock clock) {
    this.entities = entities;
    this.audit = audit;
    this.clock = clock;
  }

  Instant now() {
    return clock.instant();
  }

  /** All of them, the latest first. */
  @Transactional(readOnly = true)
  public List<BriefingEntity> all() {
    return entities
        .createQuery("from BriefingEntity order by lastMonth desc, id desc", BriefingEntity.class)
        .getResultList();
  }

  /** One; briefing-unknown. */
  @Transactional(readOnly = true)
  public BriefingEntity get(int id) {
    BriefingEntity one = entities.find(BriefingEntity.class, id);
    if (one == null) {
      throw Refusal.of("briefing-unknown", BriefingWords.noBriefing(id));
    }
    return one;
  }

  @Transactional
  public BriefingEntity add(BriefingEntity briefing) {
    entities.persist(briefing);
    audit.add(AuditKind.BRIEFING, subject(briefing), null, "drafted");
    return briefing;
  }

  /**
   * Changes one in a transaction of its own.
   *
   * @param tag the version that was read; null where nothing was based on it
   * @param said what the audit log says; null for nothing
   * @throws Refusal changed-since
   */
  @Transactional
  public BriefingEntity change(
      int id, @Nullable String tag, @Nullable String said, Consumer<BriefingEntity> change) {
    BriefingEntity one = get(id);
    if (tag != null && !tag.equals(Integer.toString(one.version))) {
      throw Refusal.of("changed-since", BriefingWords.changedBriefingSinceYouRead(one.changedBy));
    }
    change.accept(one);
    one.changedBy = Audit.who();
    one.changedAt = clock.instant();
    if (said != null) {
      audit.add(AuditKind.BRIEFING, subject(one), null, said);
    }
    entities.flush();
    return one;
  }

  @Transactional
  public void remove(int id) {
    BriefingEntity one = get(id);
    entities.remove(one);
    audit.add(AuditKind.BRIEFING, subject(one), one.state, null);
  }

  private static String subject(BriefingEntity one) {
    return BriefingWords.briefing(one.title);
  }

  /** The last one about the same that was signed before another. */
  @Transactional(readOnly = true)
  public Optional<BriefingEntity> signedBefore(BriefingEntity other) {
    return entities
        .createQuery(
            "from BriefingEntity where state = 'signed' and id <> :id and lastMonth <= :last"
                + " and coalesce(scopeKey, '') = :key order by lastMonth desc, signedAt desc",
            BriefingEntity.class)
        .setParameter("id", other.id)
        .setParameter("last", other.lastMonth)
        .setParameter("key", other.scopeKey == null ? "" : other.scopeKey)
        .setMaxResults(1)
        .getResultStream()
        .findFirst();
  }

  @Override
  @Transactional(readOnly = true)
  public @Nullable Signed of(YearMonth month) {
    return entities
        .createQuery(
            "from BriefingEntity where state = 'signed' and lastMonth = :month and scopeKey is null"
                + " order by signedAt desc",
            BriefingEntity.class)
        .setParameter("month", Months.number(month))
        .setMaxResults(1)
        .getResultStream()
        .findFirst()
        .map(one -> new Signed(String.valueOf(one.signedBy), String.valueOf(one.signedAt)))
        .orElse(null);
  }

  /** Remarks on a briefing in their order. */
  @Transactional(readOnly = true)
  public List<RemarkEntity> remarks(int briefing) {
    return entities
        .createQuery("from RemarkEntity where briefing = :id order by id", RemarkEntity.class)
        .setParameter("id", briefing)
        .getResultList();
  }

  @Transactional
  public void remark(int briefing, String block, String text) {
    RemarkEntity remark = new RemarkEntity();
    remark.briefing = briefing;
    remark.block = block;
    remark.content = text;
    remark.by = Audit.who();
    remark.at = clock.instant();
    entities.persist(remark);
    audit.add(AuditKind.BRIEFING, subject(get(briefing)), null, "remark: " + text);
  }

  /** Answers a remark; remark-unknown. */
  @Transactional
  public void answer(int briefing, int id, String text) {
    RemarkEntity remark = entities.find(RemarkEntity.class, id);
    if (remark == null || remark.briefing != briefing) {
      throw Refusal.of("remark-unknown", BriefingWords.noRemark(id));
    }
    remark.answer = text;
    remark.answeredBy = Audit.who();
    audit.add(AuditKind.BRIEFING, subject(get(briefing)), remark.content, "answer: " + text);
  }

  /** Whom a briefing is sent to. */
  @Transactional(readOnly = true)
  public List<SentEntity> sent(int briefing) {
    return entities
        .createQuery(
            "from SentBriefingEntity where place.briefing = :id order by place.account",
            SentEntity.class)
        .setParameter("id", briefing)
        .getResultList();
  }

  /** What waits to be sent. */
  @Transactional(readOnly = true)
  public List<SentEntity> waiting() {
    return entities
        .createQuery("from SentBriefingEntity where begunAt is null", SentEntity.class)
        .getResultList();
  }

  /** Has it sent to an account; false where it was sent, or waits, already. */
  @Transactional
  public boolean queue(int briefing, int account, String address, boolean asPdf) {
    SentEntity.Place place = new SentEntity.Place(briefing, account);
    if (entities.find(SentEntity.class, place) != null) {
      return false;
    }
    entities.persist(new SentEntity(place, address, asPdf));
    audit.add(AuditKind.BRIEFING, subject(get(briefing)), null, BriefingWords.toBeSent(address));
    return true;
  }

  /** Says that sending begins, ended, or was refused and waits again. */
  @Transactional
  public void mark(SentEntity.Place place, @Nullable Instant begun, @Nullable Instant ended) {
    SentEntity one = entities.find(SentEntity.class, place);
    if (one != null) {
      one.begunAt = begun;
      one.sentAt = ended;
    }
  }

  @Transactional(readOnly = true)
  public List<ScheduleEntity> schedules() {
    return entities
        .createQuery("from ScheduleEntity order by id", ScheduleEntity.class)
        .getResultList();
  }

  @Transactional
  public void schedule(String rhythm, Recipients to, boolean asPdf) {
    entities.persist(new ScheduleEntity(rhythm, to, asPdf, Audit.who()));
    audit.add(
        AuditKind.BRIEFING,
        BriefingWords.schedule(rhythm),
        null,
        BriefingWords.toBeSent(to.words()));
  }

  /** Ends a schedule; nothing happens where there is none. */
  @Transactional
  public void unschedule(int id) {
    ScheduleEntity one = entities.find(ScheduleEntity.class, id);
    if (one != null) {
      entities.remove(one);
      audit.add(
          AuditKind.BRIEFING,
          BriefingWords.schedule(one.rhythm),
          BriefingWords.toBeSent(one.to().words()),
          null);
    }
  }

  /** Remembers what a schedule has sent. */
  @Transactional
  public void ran(int id, String period) {
    ScheduleEntity one = entities.find(ScheduleEntity.class, id);
    if (one != null) {
      one.lastPeriod = period;
    }
  }

  @Transactional(readOnly = true)
  public List<TemplateEntity> templates() {
    return entities
        .createQuery("from TemplateEntity order by name", TemplateEntity.class)
        .getResultList();
  }

  /** Keeps a template over the one of that name. */
  @Transactional
  public void keep(String name, List<String> parts) {
    entities.merge(new TemplateEntity(name, String.join(",", parts), Audit.who()));
    audit.add(AuditKind.BRIEFING, BriefingWords.template(name), null, String.join(", ", parts));
  }
}
