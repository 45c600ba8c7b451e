package zealoustarget.server.briefing;

import java.nio.charset.StandardCharsets;
import java.time.YearMonth;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;
import zealoustarget.core.Refusal;
import zealoustarget.core.calendar.Months;
import zealoustarget.server.briefing.BriefingDocument.Document;
import zealoustarget.server.earnings.EarningsController;
import zealoustarget.server.platform.http.Downloads;
import zealoustarget.server.platform.storage.TemporaryFiles;

/** Briefings: drafted, reworded, read anew, signed, exported and sent. Parses and maps only. */
@RestController
@RequestMapping("/api/v1/briefings")
class BriefingController {
  private static final int LONGEST_NAME = 80;
  private static final MediaType TEXT = new MediaType("text", "plain", StandardCharsets.UTF_8);
  private static final MediaType HTML = new MediaType("text", "html", StandardCharsets.UTF_8);

  private final BriefingService service;
  private final BriefingReader reader;
  private final BriefingSigning signing;
  private final BriefingStore store;
  private final BriefingDocument documents;
  private final BriefingMail mail;
  private final TemporaryFiles temporary;

  BriefingController(
      BriefingService service,
      BriefingReader reader,
      BriefingSigning signing,
      BriefingStore store,
      BriefingDocument documents,
      BriefingMail mail,
      TemporaryFiles temporary) {
    this.service = service;
    this.reader = reader;
    this.signing = signing;
    this.store = store;
    this.documents = documents;
    this.mail = mail;
    this.temporary = temporary;
  }

  /** One of the list. */
  record ListAnswer(
      int id,
      String title,
      String from,
      String to,
      @Nullable String axis,
      @Nullable String key,
      String state,
      String madeBy,
      @Nullable String signedBy,
      @Nullable String signedAt) {}

  /** What is drafted; {@code axis} and {@code key} for one member only. */
  record DraftBody(
      @Nullable String from,
      @Nullable String to,
      @Nullable String axis,
      @Nullable String key,
      @Nullable String template) {}

  /** All blocks in their order. */
  record SaveBody(@Nullable String title, @Nullable List<BriefingService.BlockBody> blocks) {}

  /** A reason, remark or answer. */
  record WordsBody(@Nullable String text, @Nullable String block) {}

  record HandBody(@Nullable String signer) {}

  /** Names of accounts. */
  /**
   * To whom it is sent.
   *
   * @param to names of accounts
   * @param roles everybody with one of them who has a mail address
   */
  record SendBody(@Nullable List<String> to, @Nullable List<String> roles, boolean asPdf) {}

  record NamesBody(@Nullable List<String> to) {}

  /** How many a briefing goes to. */
  record SendAnswer(int queued) {}

  /** A company's own order of what is drafted. */
  record TemplateAnswer(String name, List<String> parts) {}

  record TemplateBody(@Nullable List<String> parts) {}

  /** All briefings, the latest months first. */
  @GetMapping
  List<ListAnswer> list() {
    return store.all().stream()
        .map(
            one ->
                new ListAnswer(
                    one.id,
                    one.title,
                    Months.of(one.firstMonth).toString(),
                    Months.of(one.lastMonth).toString(),
                    one.scopeAxis,
                    one.scopeKey,
                    one.state,
                    one.madeBy,
                    one.signedBy,
                    one.signedAt == null ? null : one.signedAt.toString()))
        .toList();
  }

  /** Drafts one from what the figures say. */
  @PostMapping
  @ResponseStatus(HttpStatus.CREATED)
  PageAnswer draft(@RequestBody DraftBody body) {
    YearMonth to = EarningsController.month(String.valueOf(body.to()));
    YearMonth from = body.from() == null ? to : EarningsController.month(body.from());
    return service.draft(BriefingService.span(from, to), body.axis(), body.key(), body.template());
  }

  /** The company's own orders of blocks. */
  @GetMapping("/templates")
  List<TemplateAnswer> templates() {
    return store.templates().stream()
        .map(one -> new TemplateAnswer(one.name, List.of(one.parts.split(","))))
        .toList();
  }

  /** Keeps an order of blocks under a name; 400 {@code value-unknown}. */
  @PutMapping("/templates/{name}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void keep(@PathVariable String name, @RequestBody TemplateBody body) {
    List<String> parts =
        body.parts() == null ? List.of() : body.parts().stream().distinct().toList();
    if (parts.isEmpty() || !BriefingDrafter.PARTS.containsAll(parts)) {
      throw Refusal.of(
              "value-unknown", BriefingWords.unknownPart(String.join(", ", BriefingDrafter.PARTS)))
          .with("name", "parts");
    }
    if (name.isBlank() || name.length() > LONGEST_NAME) {
      throw Refusal.of("value-unknown", BriefingWords.nameHasToCharacters(LONGEST_NAME))
          .with("name", "name");
    }
    store.keep(name.strip(), parts);
  }

  /** Accounts that a briefing can be sent to. */
  @GetMapping("/readers")
  List<BriefingMail.Reader> readers() {
    return mail.readers();
  }

  /** A briefing that is sent by itself: {@code after-closing} or {@code weekly}. */
  record ScheduleAnswer(
      int id,
      String rhythm,
      List<String> to,
      List<String> roles,
      boolean asPdf,
      @Nullable String lastPeriod) {}

  record ScheduleBody(
      @Nullable String rhythm,
      @Nullable List<String> to,
      @Nullable List<String> roles,
      boolean asPdf) {}

  /** What is sent by itself. */
  @GetMapping("/schedules")
  List<ScheduleAnswer> schedules() {
    return store.schedules().stream()
        .map(
            one ->
                new ScheduleAnswer(
                    one.id,
                    one.rhythm,
                    one.to().names(),
                    one.to().roleWords(),
                    one.asPdf,
                    one.lastPeriod))
        .toList();
  }

  /** Has briefings sent by themselves. 400 {@code value-unknown}, 404 {@code account-unknown}. */
  @PostMapping("/schedules")
  @ResponseStatus(HttpStatus.CREATED)
  List<ScheduleAnswer> schedule(@RequestBody ScheduleBody body) {
    List<String> rhythms = List.of(ScheduleEntity.AFTER_CLOSING, ScheduleEntity.WEEKLY);
    Recipients to = Recipients.of(body.to(), body.roles());
    if (!rhythms.contains(String.valueOf(body.rhythm())) || to.isEmpty()) {
      throw Refusal.of("value-unknown", BriefingWords.unknownRhythm(String.join(", ", rhythms)))
          .with("name", to.isEmpty() ? "to" : "rhythm");
    }
    mail.check(to);
    store.schedule(String.valueOf(body.rhythm()), to, body.asPdf());
    return schedules();
  }

  /** Ends a schedule. */
  @DeleteMapping("/schedules/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void unschedule(@PathVariable int id) {
    store.unschedule(id);
  }

  /** A briefing with its figures asked again. 404 {@code briefing-unknown}. */
  @GetMapping("/{id}")
  PageAnswer get(@PathVariable int id) {
    return reader.page(id);
  }

  /**
   * Puts other blocks in place; {@code If-Match} is the tag that was read. 400 {@code
   * briefing-invalid}, 409 {@code briefing-signed}, 412 {@code changed-since}.
   */
  @PutMapping("/{id}")
  PageAnswer save(
      @PathVariable int id,
      @RequestHeader(value = HttpHeaders.IF_MATCH, required = false) @Nullable String tag,
      @RequestBody SaveBody body) {
    return service.save(id, tag, body.title(), body.blocks() == null ? List.of() : body.blocks());
  }

  /** Takes a draft away. 409 {@code briefing-signed}. */
  @DeleteMapping("/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void remove(@PathVariable int id) {
    service.remove(id);
  }

  /** Takes the new figures of a claim, or without {@code block} of all. */
  @PostMapping("/{id}/take")
  PageAnswer take(
      @PathVariable int id,
      @RequestHeader(value = HttpHeaders.IF_MATCH, required = false) @Nullable String tag,
      @RequestParam(required = false) @Nullable String block) {
    return service.take(id, tag, block);
  }

  /** Keeps a claim that has moved as it was, because of {@code text}. */
  @PostMapping("/{id}/keep")
  PageAnswer keepAsItWas(
      @PathVariable int id,
      @RequestHeader(value = HttpHeaders.IF_MATCH, required = false) @Nullable String tag,
      @RequestBody WordsBody body) {
    return service.keep(id, tag, String.valueOf(body.block()), body.text());
  }

  /** Hands it over to be signed. 409 {@code briefing-moved}. */
  @PostMapping("/{id}/hand")
  PageAnswer hand(
      @PathVariable int id,
      @RequestHeader(value = HttpHeaders.IF_MATCH, required = false) @Nullable String tag,
      @RequestBody HandBody body) {
    return signing.hand(id, tag, body.signer());
  }

  /** Signs it as it is read now. 409 {@code briefing-not-handed}, {@code another-person}. */
  @PostMapping("/{id}/sign")
  PageAnswer sign(
      @PathVariable int id,
      @RequestHeader(value = HttpHeaders.IF_MATCH, required = false) @Nullable String tag) {
    return signing.sign(id, tag);
  }

  /** Declines it because of {@code text}. */
  @PostMapping("/{id}/decline")
  PageAnswer decline(@PathVariable int id, @RequestBody WordsBody body) {
    return signing.decline(id, body.text());
  }

  /** Asks people to review it. 404 {@code account-unknown}. */
  @PostMapping("/{id}/reviewers")
  PageAnswer reviewers(@PathVariable int id, @RequestBody NamesBody body) {
    return signing.askToReview(id, body.to() == null ? List.of() : body.to());
  }

  /** Remarks on a block. */
  @PostMapping("/{id}/remarks")
  PageAnswer remark(@PathVariable int id, @RequestBody WordsBody body) {
    return service.remark(id, body.block(), body.text());
  }

  /** Answers a remark. 404 {@code remark-unknown}. */
  @PutMapping("/{id}/remarks/{remark}")
  PageAnswer answer(@PathVariable int id, @PathVariable int remark, @RequestBody WordsBody body) {
    return service.answer(id, remark, body.text());
  }

  /** Figures that a typed one may be, so that it can be bound. */
  @GetMapping("/{id}/candidates")
  List<BriefingReader.Candidate> candidates(@PathVariable int id, @RequestParam String typed) {
    return reader.candidates(id, typed);
  }

  /** Tagged, with an outline. 400 {@code briefing-invalid} where it is too long. */
  @GetMapping("/{id}/briefing.pdf")
  ResponseEntity<StreamingResponseBody> pdf(@PathVariable int id) {
    Document document = documents.of(id);
    BriefingPage.checkPrintable(document);
    return Downloads.of(
        document.fileName() + ".pdf",
        MediaType.APPLICATION_PDF,
        out -> BriefingPage.pdf(document, out));
  }

  /** One file that needs nothing else. */
  @GetMapping("/{id}/briefing.html")
  ResponseEntity<StreamingResponseBody> html(@PathVariable int id) {
    Document document = documents.of(id);
    byte[] page = BriefingPage.html(document).getBytes(StandardCharsets.UTF_8);
    return Downloads.of(document.fileName() + ".html", HTML, out -> out.write(page));
  }

  /** Claims with their queries, and a sheet for each exhibit. */
  @GetMapping("/{id}/briefing.xlsx")
  ResponseEntity<StreamingResponseBody> workbook(@PathVariable int id) {
    Document document = documents.of(id);
    return Downloads.of(
        document.fileName() + ".xlsx",
        Downloads.WORKBOOK,
        out -> BriefingWorkbook.write(document, temporary.create("briefing", ".xlsx"), out));
  }

  /** For a mail. */
  @GetMapping("/{id}/briefing.txt")
  ResponseEntity<StreamingResponseBody> text(@PathVariable int id) {
    Document document = documents.of(id);
    byte[] text = documents.text(document).getBytes(StandardCharsets.UTF_8);
    return Downloads.of(document.fileName() + ".txt", TEXT, out -> out.write(text));
  }

  /** Sends it; each person gets it once. 400 {@code account-unknown}, 502 {@code mail-failed}. */
  @PostMapping("/{id}/send")
  SendAnswer send(@PathVariable int id, @RequestBody SendBody body) {
    return new SendAnswer(mail.queue(id, Recipients.of(body.to(), body.roles()), body.asPdf()));
  }
}
