package zealoustarget.server.closing;

import java.util.List;
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
import zealoustarget.core.close.SourceRhythm;
import zealoustarget.server.earnings.EarningsController;
import zealoustarget.server.masterdata.SourceRhythms;

/** What a month needs before it is closed, and the year of closes. */
@RestController
@RequestMapping("/api/v1")
class CloseController {
  private static final int LONGEST_SOURCE = 400;

  private final CloseList list;
  private final Closes closes;
  private final SourceRhythms rhythms;

  CloseController(CloseList list, Closes closes, SourceRhythms rhythms) {
    this.list = list;
    this.closes = closes;
    this.rhythms = rhythms;
  }

  /** Why a line is waived. */
  record WaiverBody(@Nullable String reason) {}

  /** A line of the company's own; {@code recurs} for every month from this one on. */
  record OwnLineBody(@Nullable String name, boolean recurs) {}

  /** How often a source comes: {@code monthly}, {@code quarterly} or {@code ended}. */
  record RhythmBody(@Nullable String source, @Nullable String name, @Nullable String rhythm) {}

  /** The close list of a month; of a closed month as it was closed with. */
  @GetMapping("/months/{month}/close-list")
  CloseAnswer list(@PathVariable String month) {
    return list.of(EarningsController.month(month));
  }

  /**
   * Waives an open line. 400 {@code value-missing} without a reason, 404 {@code
   * close-line-unknown}, 409 {@code close-line-done}, {@code month-sealed}.
   */
  @PutMapping("/months/{month}/close-list/{line}/waiver")
  CloseAnswer waive(
      @PathVariable String month, @PathVariable String line, @RequestBody WaiverBody body) {
    return list.waive(EarningsController.month(month), line, body.reason());
  }

  /** Takes a waiver back. */
  @DeleteMapping("/months/{month}/close-list/{line}/waiver")
  CloseAnswer takeBack(@PathVariable String month, @PathVariable String line) {
    return list.takeBack(EarningsController.month(month), line);
  }

  /** Adds a line of the company's own. */
  @PostMapping("/months/{month}/close-list/lines")
  @ResponseStatus(HttpStatus.CREATED)
  CloseAnswer add(@PathVariable String month, @RequestBody OwnLineBody body) {
    return list.add(EarningsController.month(month), body.name(), body.recurs());
  }

  /** Marks an own line as done, or with {@code done=false} as open again. */
  @PutMapping("/months/{month}/close-list/lines/{id}")
  CloseAnswer tick(
      @PathVariable String month,
      @PathVariable int id,
      @RequestParam(defaultValue = "true") boolean done) {
    return list.tick(EarningsController.month(month), id, done);
  }

  /** Takes an own line away from this month on. */
  @DeleteMapping("/months/{month}/close-list/lines/{id}")
  CloseAnswer remove(@PathVariable String month, @PathVariable int id) {
    return list.remove(EarningsController.month(month), id);
  }

  /** Says how often a source comes. 400 {@code value-unknown}. */
  @PutMapping("/source-rhythms")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void rhythm(@RequestBody RhythmBody body) {
    String source = body.source() == null ? "" : body.source();
    SourceRhythm rhythm =
        SourceRhythm.findByWord(body.rhythm() == null ? "" : body.rhythm())
            .filter(found -> !source.isBlank() && source.length() <= LONGEST_SOURCE)
            .orElseThrow(
                () ->
                    Refusal.of("value-unknown", CloseWords.SOURCE_COMES_MONTHLY_QUARTERLY)
                        .with("name", "rhythm"));
    String name = body.name() == null || body.name().isBlank() ? source : body.name();
    rhythms.set(source, name, rhythm);
  }

  /** Every month of a fiscal year: how far it is, and when it was closed. */
  @GetMapping("/closes")
  List<Closes.MonthClose> closes(@RequestParam int year) {
    return closes.of(year);
  }
}
