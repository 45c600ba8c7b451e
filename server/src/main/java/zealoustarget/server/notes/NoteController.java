package zealoustarget.server.notes;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import zealoustarget.core.Refusal;
import zealoustarget.core.member.Axis;
import zealoustarget.core.member.Member;
import zealoustarget.server.ledger.state.LedgerService;

/** Why a month came out as it did: the list of reasons, and notes on members and months. */
@RestController
@RequestMapping("/api/v1")
class NoteController {
  private static final int LONGEST_TEXT = 2_000;
  private static final int LONGEST_FOLLOW_UP = 400;
  private static final int LONGEST_WHO = 120;
  private static final int LONGEST_NAME = 80;
  private static final int LONGEST_CODE = 40;
  private static final int MOST_REASONS = 50;

  private final NoteStore notes;
  private final LedgerService ledgers;
  private final FollowUps followUps;

  NoteController(NoteStore notes, LedgerService ledgers, FollowUps followUps) {
    this.followUps = followUps;
    this.notes = notes;
    this.ledgers = ledgers;
  }

  /**
   * A note as it is written; {@code reason} and {@code text} may be null, not both for a note.
   *
   * @param was the text that was looked at, so that nobody else's is lost; null not to look
   */
  record NoteBody(String reason, String text, String was) {}

  /** A reason; a new one may leave its code out. */
  record ReasonBody(String code, String name) {}

  /** The company's reasons in their order. */
  @GetMapping("/reasons")
  List<NoteStore.Reason> reasons() {
    return notes.reasons();
  }

  /** Puts another list in place. 400 {@code reasons-invalid}; 409 {@code reason-in-use}. */
  @PutMapping("/reasons")
  List<NoteStore.Reason> replaceReasons(@RequestBody List<ReasonBody> bodies) {
    List<NoteStore.Reason> reasons = new ArrayList<>();
    Set<String> codes = new HashSet<>();
    Set<String> names = new HashSet<>();
    if (bodies.size() > MOST_REASONS) {
      throw invalid(NotesWords.listMayHaveAtMostReasons(MOST_REASONS));
    }
    for (ReasonBody body : bodies) {
      String name = body.name() == null ? "" : body.name().strip();
      if (name.isEmpty() || name.length() > LONGEST_NAME) {
        throw invalid(NotesWords.eachReasonNeedsName(LONGEST_NAME));
      }
      String code =
          body.code() == null || body.code().isBlank() ? codeOf(name, codes) : body.code();
      if (!code.matches("[a-z0-9][a-z0-9-]{0," + (LONGEST_CODE - 1) + "}")) {
        throw invalid(NotesWords.isNotCode(code));
      }
      if (!codes.add(code) || !names.add(name.toLowerCase(Locale.ROOT))) {
        throw invalid(NotesWords.isGivenTwice(name));
      }
      reasons.add(new NoteStore.Reason(code, name));
    }
    notes.replaceReasons(reasons);
    return notes.reasons();
  }

  /** Writes a member's note of a month, over the one there; an empty one takes it away. */
  @PutMapping("/notes/{axis}/{key}/{month}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void write(
      @PathVariable String axis,
      @PathVariable String key,
      @PathVariable String month,
      @RequestBody NoteBody body) {
    YearMonth read = month(month);
    Member member = member(axis, key, read);
    String text = body.text() == null ? "" : body.text().strip();
    if (text.length() > LONGEST_TEXT) {
      throw Refusal.of(
          "note-too-long", NotesWords.noteMayHaveCharacters(LONGEST_TEXT, text.length()));
    }
    String reason = body.reason() == null || body.reason().isBlank() ? null : body.reason();
    notes.write(member.id(), axis + " " + member.key(), read, reason, text, body.was());
  }

  private Member member(String axis, String key, YearMonth month) {
    return Axis.findByWord(axis)
        .filter(found -> found != Axis.COMPANY)
        .flatMap(found -> ledgers.current().members().findByKey(found, key))
        .filter(found -> ledgers.seesNote(found.id(), month))
        .orElseThrow(() -> Refusal.of("member-unknown", NotesWords.no(axis, key)).with("key", key));
  }

  /**
   * A follow-up on a member's month.
   *
   * @param doneBy null while it is open
   */
  record FollowUpAnswer(
      int id,
      String axis,
      String key,
      String name,
      String month,
      String what,
      String who,
      String due,
      @Nullable String doneBy) {
    static FollowUpAnswer of(FollowUps.FollowUp one) {
      return new FollowUpAnswer(
          one.id(),
          one.axis().word(),
          one.memberKey(),
          one.memberName(),
          one.month().toString(),
          one.what(),
          one.who(),
          one.due().toString(),
          one.doneBy());
    }
  }

  /** What will be done, by whom and until which day. */
  record FollowUpBody(@Nullable String what, @Nullable String who, @Nullable String due) {}

  /** Follow-ups on the variances of a month, done ones among them. */
  @GetMapping("/follow-ups")
  List<FollowUpAnswer> followUps(@RequestParam String month) {
    return followUps.of(month(month)).stream().map(FollowUpAnswer::of).toList();
  }

  /** Adds a follow-up on a member's month. 400 {@code value-missing}, {@code day-unreadable}. */
  @PostMapping("/notes/{axis}/{key}/{month}/follow-ups")
  @ResponseStatus(HttpStatus.CREATED)
  FollowUpAnswer follow(
      @PathVariable String axis,
      @PathVariable String key,
      @PathVariable String month,
      @RequestBody FollowUpBody body) {
    YearMonth read = month(month);
    Member member = member(axis, key, read);
    return FollowUpAnswer.of(
        followUps.add(
            member,
            read,
            text("what", NotesWords.WHAT_WILL_BE_DONE, body.what(), LONGEST_FOLLOW_UP),
            text("who", NotesWords.WHO_WILL_DO_IT, body.who(), LONGEST_WHO),
            day(body.due())));
  }

  /** Marks a follow-up as done, or with {@code done=false} as open again. */
  @PutMapping("/follow-ups/{id}")
  FollowUpAnswer done(@PathVariable int id, @RequestParam(defaultValue = "true") boolean done) {
    return FollowUpAnswer.of(followUps.done(id, done));
  }

  /** Takes a follow-up away. */
  @DeleteMapping("/follow-ups/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void remove(@PathVariable int id) {
    followUps.remove(id);
  }

  private static String text(String name, String words, @Nullable String given, int most) {
    String text = given == null ? "" : given.strip();
    if (text.isEmpty() || text.length() > most) {
      throw Refusal.of("value-missing", NotesWords.sayInUpToCharacters(words, most))
          .with("name", name);
    }
    return text;
  }

  private static LocalDate day(@Nullable String text) {
    try {
      return LocalDate.parse(text == null ? "" : text.strip());
    } catch (DateTimeException noDay) {
      throw Refusal.of("day-unreadable", NotesWords.isNotDay(text)).with("name", "due");
    }
  }

  private static YearMonth month(String text) {
    try {
      return YearMonth.parse(text);
    } catch (DateTimeException noMonth) {
      throw Refusal.of("month-unreadable", NotesWords.isNotMonth(text)).with("name", "month");
    }
  }

  private static String codeOf(String name, Set<String> taken) {
    String plain =
        name.toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "-").replaceAll("^-|-$", "");
    String base = plain.isEmpty() ? "reason" : plain.substring(0, Math.min(plain.length(), 36));
    String code = base;
    for (int number = 2; taken.contains(code); number++) {
      code = base + "-" + number;
    }
    return code;
  }

  private static Refusal invalid(String words) {
    return Refusal.of("reasons-invalid", NotesWords.nothingWasChanged(words));
  }
}
