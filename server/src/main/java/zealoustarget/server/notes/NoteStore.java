package zealoustarget.server.notes;

import java.time.Clock;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import org.springframework.transaction.support.TransactionTemplate;
import zealoustarget.core.Refusal;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.calendar.Span;
import zealoustarget.server.audit.Audit;
import zealoustarget.server.audit.AuditKind;
import zealoustarget.server.ledger.state.LedgerService;
import zealoustarget.server.platform.state.DataState;

/** Keeps the notes and the list of reasons. */
@Component
public class NoteStore {
  /** One reason: a stable code and what people call it. */
  public record Reason(String code, String name) {}

  private final NoteRepository notes;
  private final ReasonRepository reasonList;
  private final LedgerService ledgers;
  private final DataState state;
  private final Clock clock;
  private final Audit audit;
  private final TransactionTemplate transactions;

  NoteStore(
      NoteRepository notes,
      ReasonRepository reasonList,
      LedgerService ledgers,
      DataState state,
      Clock clock,
      Audit audit,
      TransactionTemplate transactions) {
    this.transactions = transactions;
    this.audit = audit;
    this.state = state;
    this.ledgers = ledgers;
    this.notes = notes;
    this.reasonList = reasonList;
    this.clock = clock;
  }

  /** The list in its order. */
  @Transactional(readOnly = true)
  public List<Reason> reasons() {
    return reasonList.findAllByOrderByPlace().stream()
        .map(entity -> new Reason(entity.code, entity.name))
        .toList();
  }

  /**
   * Puts another list in place of the one there.
   *
   * @throws Refusal reason-in-use if a note has a reason that is not on it any more
   */
  @Transactional
  public void replaceReasons(List<Reason> reasons) {
    afterCommit();
    List<Reason> before = reasons();
    Set<String> kept = reasons.stream().map(Reason::code).collect(Collectors.toSet());
    Set<String> used = new HashSet<>(notes.findUsedReasons());
    used.removeAll(kept);
    if (!used.isEmpty()) {
      throw Refusal.of(
              "reason-in-use",
              NotesWords.reasonIsUsedByNotes(String.join(", ", used.stream().sorted().toList())))
          .with("reasons", List.copyOf(used));
    }
    reasonList.findAll().stream()
        .filter(entity -> !kept.contains(entity.code))
        .forEach(reasonList::delete);
    for (int place = 0; place < reasons.size(); place++) {
      Reason reason = reasons.get(place);
      reasonList.save(new ReasonEntity(reason.code(), place, reason.name()));
    }
    audit.add(AuditKind.RULES_CHANGED, "reasons", names(before), names(reasons));
  }

  private static String names(List<Reason> reasons) {
    return String.join(", ", reasons.stream().map(Reason::name).toList());
  }

  /**
   * The notes on months of a span that may be seen, by member id, each member's in the order of
   * months.
   */
  @Transactional(readOnly = true)
  public Map<Integer, List<Note>> inSpan(Span span) {
    Map<String, String> names =
        reasons().stream().collect(Collectors.toMap(Reason::code, Reason::name));
    return notes
        .findInMonths(Months.number(span.fromInclusive()), Months.number(span.toInclusive()))
        .stream()
        .filter(
            entity -> ledgers.seesNote(entity.place.memberId(), Months.of(entity.place.month())))
        .map(
            entity ->
                new Note(
                    entity.place.memberId(),
                    Months.of(entity.place.month()),
                    entity.reason,
                    entity.reason == null ? null : names.get(entity.reason),
                    entity.content))
        .collect(Collectors.groupingBy(Note::memberId, Collectors.toCollection(ArrayList::new)));
  }

  /**
   * Writes a note over the one there, or takes it away where reason and text are empty.
   *
   * @param subject what the trail calls the member
   * @param was the text that was looked at; null to write over whatever is there
   * @throws Refusal value-unknown if the reason is not on the list; changed-meanwhile if another
   *     text is there
   */
  public synchronized void write(
      int memberId,
      String subject,
      YearMonth month,
      @Nullable String reason,
      String text,
      String was) {
    transactions.executeWithoutResult( // ends before the next one may look
        status -> writeAlone(memberId, subject, month, reason, text, was));
  }

  private void writeAlone(
      int memberId,
      String subject,
      YearMonth month,
      @Nullable String reason,
      String text,
      String was) {
    NoteEntity.Place place = new NoteEntity.Place(memberId, Months.number(month));
    NoteEntity entity = notes.findById(place).orElse(null);
    String there = entity == null ? "" : entity.content;
    if (was != null && !was.strip().equals(there)) {
      throw Refusal.of("changed-meanwhile", NotesWords.somebodyElseChangedNote(there))
          .with("text", there);
    }
    if (reason != null && !reasonList.existsById(reason)) {
      throw unknownReason(reason);
    }
    String before = entity == null ? null : words(entity.reason, entity.content);
    String after = reason == null && text.isEmpty() ? null : words(reason, text);
    if (Objects.equals(before, after)) {
      return;
    }
    afterCommit();
    audit.add(AuditKind.NOTE, subject + ", " + month, before, after);
    if (reason == null && text.isEmpty()) {
      if (entity != null) {
        notes.delete(entity);
      }
      return;
    }
    NoteEntity written = entity == null ? new NoteEntity(place) : entity;
    written.reason = reason;
    written.content = text;
    written.writtenAt = clock.instant();
    notes.save(written);
  }

  private Refusal unknownReason(String reason) {
    List<String> known = reasons().stream().map(Reason::code).toList();
    return Refusal.of(
            "value-unknown", NotesWords.isNotReasonOnListAllowed(reason, String.join(", ", known)))
        .with("name", "reason")
        .with("allowed", known);
  }

  private static String words(@Nullable String reason, @Nullable String text) {
    return (reason == null ? "" : "(" + reason + ") ") + text;
  }

  /** Notes stand in what was answered before, so those answers hold no more. */
  private void afterCommit() {
    TransactionSynchronizationManager.registerSynchronization(
        new TransactionSynchronization() {
          @Override
          public void afterCommit() {
            state.changed();
          }
        });
  }
}
