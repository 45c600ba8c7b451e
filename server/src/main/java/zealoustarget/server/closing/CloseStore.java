package zealoustarget.server.closing;

import jakarta.persistence.EntityManager;
import java.time.Clock;
import java.time.YearMonth;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import zealoustarget.core.Refusal;
import zealoustarget.core.calendar.Months;
import zealoustarget.server.audit.Audit;
import zealoustarget.server.audit.AuditKind;

/** Waivers, own lines and what was told, in the database; every change is in the audit log. */
@Component
class CloseStore {
  private final EntityManager entities;
  private final Audit audit;
  private final Clock clock;

  CloseStore(EntityManager entities, Audit audit, Clock clock) {
    this.entities = entities;
    this.audit = audit;
    this.clock = clock;
  }

  /** A month's waivers by line. */
  @Transactional(readOnly = true)
  public Map<String, WaiverEntity> waivers(YearMonth month) {
    return entities
        .createQuery("from WaiverEntity where place.month = :month", WaiverEntity.class)
        .setParameter("month", Months.number(month))
        .getResultStream()
        .collect(Collectors.toMap(one -> one.place.line(), Function.identity()));
  }

  /** Own lines that a month has, in the order they were added. */
  @Transactional(readOnly = true)
  public List<OwnLineEntity> ownLines(YearMonth month) {
    return entities
        .createQuery(
            "from OwnLineEntity where firstMonth <= :month"
                + " and (lastMonth is null or lastMonth >= :month) order by id",
            OwnLineEntity.class)
        .setParameter("month", Months.number(month))
        .getResultList();
  }

  /** Own lines that are done for a month, by their numbers. */
  @Transactional(readOnly = true)
  public Map<Integer, TickEntity> ticks(YearMonth month) {
    return entities
        .createQuery("from TickEntity where place.month = :month", TickEntity.class)
        .setParameter("month", Months.number(month))
        .getResultStream()
        .collect(Collectors.toMap(one -> one.place.line(), Function.identity()));
  }

  /** Waives a line as it is open now; a waiver that stands is replaced. */
  @Transactional
  public void waive(YearMonth month, CloseAnswer.Line line, Set<String> open, String reason) {
    entities.merge(
        new WaiverEntity(
            new WaiverEntity.Place(Months.number(month), line.code()),
            reason,
            open,
            Audit.who(),
            clock.instant()));
    audit.add(
        AuditKind.CLOSE_LIST, subject(month, line.name()), null, CloseWords.waivedBecause(reason));
  }

  /** Takes a waiver back; nothing happens where there is none. */
  @Transactional
  public void takeBack(YearMonth month, String code, String name) {
    WaiverEntity waiver =
        entities.find(WaiverEntity.class, new WaiverEntity.Place(Months.number(month), code));
    if (waiver != null) {
      entities.remove(waiver);
      audit.add(
          AuditKind.CLOSE_LIST,
          subject(month, name),
          CloseWords.waivedBecause(waiver.reason),
          null);
    }
  }

  /** Adds an own line from a month on, or for that month only. */
  @Transactional
  public void add(YearMonth month, String name, boolean isRecurring) {
    int number = Months.number(month);
    entities.persist(new OwnLineEntity(name, number, isRecurring ? null : number, Audit.who()));
    audit.add(
        AuditKind.CLOSE_LIST,
        subject(month, name),
        null,
        isRecurring ? CloseWords.ADDED_FOR_EVERY_MONTH : CloseWords.ADDED_FOR_THIS_MONTH);
  }

  /**
   * Takes an own line away from a month on; months before keep it.
   *
   * @throws Refusal close-line-unknown
   */
  @Transactional
  public void remove(YearMonth month, int id) {
    OwnLineEntity line = own(month, id);
    int number = Months.number(month);
    if (line.firstMonth >= number) {
      entities
          .createQuery("delete from TickEntity where place.line = :line")
          .setParameter("line", id)
          .executeUpdate();
      entities.remove(line);
    } else {
      line.lastMonth = number - 1;
    }
    audit.add(AuditKind.CLOSE_LIST, subject(month, line.name), CloseWords.ON_LIST, null);
  }

  /**
   * Marks an own line as done for a month, or as open again.
   *
   * @throws Refusal close-line-unknown
   */
  @Transactional
  public void tick(YearMonth month, int id, boolean isDone) {
    OwnLineEntity line = own(month, id);
    TickEntity.Place place = new TickEntity.Place(Months.number(month), id);
    TickEntity there = entities.find(TickEntity.class, place);
    if (isDone && there == null) {
      entities.persist(new TickEntity(place, Audit.who(), clock.instant()));
      audit.add(AuditKind.CLOSE_LIST, subject(month, line.name), "open", "done");
    } else if (!isDone && there != null) {
      entities.remove(there);
      audit.add(AuditKind.CLOSE_LIST, subject(month, line.name), "done", "open");
    }
  }

  private OwnLineEntity own(YearMonth month, int id) {
    OwnLineEntity line = entities.find(OwnLineEntity.class, id);
    int number = Months.number(month);
    if (line == null
        || number < line.firstMonth
        || (line.lastMonth != null && number > line.lastMonth)) {
      throw unknown(month, "own-" + id);
    }
    return line;
  }

  static Refusal unknown(YearMonth month, String line) {
    return Refusal.of("close-line-unknown", CloseWords.noLine(month, line)).with("line", line);
  }

  /** Claims the telling of a late source; false where it was told before. */
  @Transactional
  public boolean claimNotice(int month, String source) {
    LateNoticeEntity.Place place = new LateNoticeEntity.Place(month, source);
    if (entities.find(LateNoticeEntity.class, place) != null) {
      return false;
    }
    entities.persist(new LateNoticeEntity(place, clock.instant()));
    return true;
  }

  /** Gives a claim back, as the mail server refused it. */
  @Transactional
  public void releaseNotice(int month, String source) {
    LateNoticeEntity told =
        entities.find(LateNoticeEntity.class, new LateNoticeEntity.Place(month, source));
    if (told != null) {
      entities.remove(told);
    }
  }

  private static String subject(YearMonth month, String line) {
    return CloseWords.closeList(month, line);
  }
}
