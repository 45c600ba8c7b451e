package zealoustarget.server.notes;

import java.time.Clock;
import java.time.LocalDate;
import java.time.YearMonth;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Objects;
import java.util.function.Supplier;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;
import zealoustarget.core.Refusal;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.member.Axis;
import zealoustarget.core.member.Member;
import zealoustarget.server.audit.Audit;
import zealoustarget.server.audit.AuditKind;
import zealoustarget.server.ledger.state.LedgerService;
import zealoustarget.server.platform.state.DataState;

/** What will be done about variances, by whom and until when. */
@Component
public class FollowUps {
  /**
   * One of them, as far as it may be seen.
   *
   * @param month whose variance it is about
   * @param doneBy null while it is open
   */
  public record FollowUp(
      int id,
      Axis axis,
      String memberKey,
      String memberName,
      YearMonth month,
      String what,
      String who,
      LocalDate due,
      @Nullable String doneBy) {}

  private final FollowUpRepository stored;
  private final LedgerService ledgers;
  private final Audit audit;
  private final Clock clock;
  private final DataState state;
  private final TransactionTemplate transactions;

  FollowUps(
      FollowUpRepository stored,
      LedgerService ledgers,
      Audit audit,
      Clock clock,
      DataState state,
      TransactionTemplate transactions) {
    this.transactions = transactions;
    this.state = state;
    this.stored = stored;
    this.ledgers = ledgers;
    this.audit = audit;
    this.clock = clock;
  }

  /** Those that are open and due by a day, the earliest first. */
  @Transactional(readOnly = true)
  public List<FollowUp> openUntil(LocalDate day) {
    return seen(stored.findByDueLessThanEqualAndDoneAtIsNullOrderByDueAscIdAsc(day));
  }

  /** Those about months up to the last that are open, or due in the first or after it. */
  @Transactional(readOnly = true)
  public List<FollowUp> around(YearMonth first, YearMonth last) {
    return seen(
        stored.findByMonthLessThanEqualOrderByDueAscIdAsc(Months.number(last)).stream()
            .filter(one -> one.doneAt == null || !one.due.isBefore(first.atDay(1)))
            .toList());
  }

  /** Those about a month, done ones among them. */
  @Transactional(readOnly = true)
  public List<FollowUp> of(YearMonth month) {
    return seen(stored.findByMonthOrderById(Months.number(month)));
  }

  private List<FollowUp> seen(List<FollowUpEntity> all) {
    return all.stream()
        .filter(one -> ledgers.seesNote(one.memberId, Months.of(one.month)))
        .map(this::followUp)
        .toList();
  }

  private FollowUp followUp(FollowUpEntity entity) {
    Axis axis = axis(entity.memberId);
    Member member = ledgers.posted().members().get(axis, entity.memberId);
    return new FollowUp(
        entity.id,
        axis,
        member.key(),
        member.name(),
        Months.of(entity.month),
        entity.content,
        entity.who,
        entity.due,
        entity.doneBy);
  }

  /** Adds one. */
  public FollowUp add(Member member, YearMonth month, String what, String who, LocalDate due) {
    return changed(() -> addAlone(member, month, what, who, due));
  }

  private FollowUp addAlone(
      Member member, YearMonth month, String what, String who, LocalDate due) {
    FollowUpEntity entity = new FollowUpEntity();
    entity.memberId = member.id();
    entity.month = Months.number(month);
    entity.content = what;
    entity.who = who;
    entity.due = due;
    entity.by = Audit.who();
    stored.save(entity);
    audit.add(AuditKind.NOTE, subject(member, month), null, NotesWords.until(what, who, due));
    return followUp(entity);
  }

  /**
   * Marks one as done, or as open again.
   *
   * @throws Refusal follow-up-unknown
   */
  public FollowUp done(int id, boolean isDone) {
    return changed(() -> doneAlone(id, isDone));
  }

  private FollowUp doneAlone(int id, boolean isDone) {
    FollowUpEntity entity = get(id);
    entity.doneAt = isDone ? clock.instant().truncatedTo(ChronoUnit.MILLIS) : null;
    entity.doneBy = isDone ? Audit.who() : null;
    audit.add(
        AuditKind.NOTE,
        subject(entity) + ", " + entity.content,
        isDone ? "open" : "done",
        isDone ? "done" : "open");
    return followUp(entity);
  }

  /**
   * Takes one away.
   *
   * @throws Refusal follow-up-unknown
   */
  public void remove(int id) {
    changed(
        () -> {
          FollowUpEntity entity = get(id);
          stored.delete(entity);
          audit.add(AuditKind.NOTE, subject(entity), entity.content, null);
          return followUp(entity);
        });
  }

  /** The close list names follow-ups, so what was answered before holds no more. */
  private FollowUp changed(Supplier<FollowUp> work) {
    FollowUp one = Objects.requireNonNull(transactions.execute(status -> work.get()));
    state.changed();
    return one;
  }

  private FollowUpEntity get(int id) {
    return stored
        .findById(id)
        .filter(one -> ledgers.seesNote(one.memberId, Months.of(one.month)))
        .orElseThrow(() -> Refusal.of("follow-up-unknown", NotesWords.noFollowUp(id)));
  }

  private String subject(FollowUpEntity entity) {
    return subject(
        ledgers.posted().members().get(axis(entity.memberId), entity.memberId),
        Months.of(entity.month));
  }

  /** Numbers are of one member of one axis. */
  private Axis axis(int member) {
    return Stream.of(Axis.values())
        .filter(axis -> ledgers.posted().members().isKnown(axis, member))
        .findFirst()
        .orElseThrow();
  }

  private static String subject(Member member, YearMonth month) {
    return NotesWords.followUp(member.name(), month);
  }
}
