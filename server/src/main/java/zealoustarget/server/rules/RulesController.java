package zealoustarget.server.rules;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonUnwrapped;
import java.time.Clock;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.List;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;
import zealoustarget.core.Refusal;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.ladder.Ladder;
import zealoustarget.core.member.Axis;
import zealoustarget.server.approval.ProposalAnswer;
import zealoustarget.server.approval.ProposalWork;
import zealoustarget.server.platform.problems.UnknownValue;
import zealoustarget.server.rules.reading.HolidayFile;

/** The company's rules as one JSON file. */
@RestController
@RequestMapping({"/api/v1/rules", "/api/v1/playbook"}) // the second is their earlier name
class RulesController {
  private static final int YEARS_AHEAD = 3;

  private final RulesService companyRules;
  private final Clock clock;

  RulesController(RulesService companyRules, Clock clock) {
    this.companyRules = companyRules;
    this.clock = clock;
  }

  /** All rules in force, defaults included, with their entity tag. */
  @GetMapping
  ResponseEntity<RulesAnswer> get() {
    return answer(companyRules.current());
  }

  /**
   * Applies a file with any of the parts, all or nothing. 400 {@code playbook-invalid} names the
   * place; 409 {@code measure-in-use}; 412 {@code changed-meanwhile} where {@code If-Match} names
   * other rules than those in force. 202 with {@code proposal} and the rules in force as before
   * where it takes a second person.
   */
  @PutMapping
  ResponseEntity<PutAnswer> put(
      @RequestBody JsonNode file,
      @RequestHeader(name = HttpHeaders.IF_MATCH, required = false) String tag) {
    RulesService.Outcome outcome = companyRules.apply(file, tag);
    return ResponseEntity.status(outcome.proposal() == null ? HttpStatus.OK : HttpStatus.ACCEPTED)
        .eTag(companyRules.tag())
        .body(new PutAnswer(RulesAnswer.of(outcome.rules()), outcome.proposal()));
  }

  /**
   * The rules in force after a file was sent.
   *
   * @param proposal what waits for a second person; null where the file is in force
   */
  record PutAnswer(
      @JsonUnwrapped RulesAnswer rules,
      @JsonInclude(JsonInclude.Include.NON_NULL) @Nullable ProposalAnswer proposal) {}

  /** What a file would change of the rules in force, in words; refused as applying it. */
  @PostMapping("/changes")
  List<ProposalWork.Line> changes(@RequestBody JsonNode file) {
    return companyRules.changes(file);
  }

  /**
   * Which thresholds decide.
   *
   * @param words what they are attached to, or that they are the default
   * @param scale what they are based on
   * @param others what others are attached to that would apply without these, the closest first
   */
  record DecidesAnswer(
      String words, String scale, boolean perMonth, List<RungPart> rungs, List<String> others) {}

  /**
   * Which thresholds decide about a measure compared with a goal set, by an axis, in a month that
   * is open. 400 {@code value-unknown}.
   *
   * @param goalSet empty for a comparison with no set
   * @param isRange whether its goals are ranges
   */
  @GetMapping("/decides")
  DecidesAnswer decides(
      @RequestParam String measure,
      @RequestParam(defaultValue = "") String goalSet,
      @RequestParam String axis,
      @RequestParam String month,
      @RequestParam(defaultValue = "false") boolean isRange) {
    Rules rules = companyRules.current();
    Measure asked =
        rules
            .findMeasure(measure)
            .orElseThrow(
                () ->
                    UnknownValue.of(
                        "measure", measure, rules.measures().stream().map(Measure::code)));
    Axis rows =
        Stream.of(Axis.values())
            .filter(one -> one.word().equals(axis))
            .findFirst()
            .orElseThrow(
                () -> UnknownValue.of("axis", axis, Stream.of(Axis.values()).map(Axis::word)));
    YearMonth at;
    try {
      at = YearMonth.parse(month);
    } catch (DateTimeException unreadable) {
      throw Refusal.of("month-unreadable", RulesWords.isNotMonth(month)).with("name", "month");
    }
    Attachment to = new Attachment(asked.code(), goalSet.isBlank() ? null : goalSet, rows);
    Ladder ladder = rules.ladder(asked, to, at, isRange);
    return new DecidesAnswer(
        rules.ladderWords(asked, to, at, isRange),
        ladder.scale().word(),
        ladder.perMonth(),
        ladder.rungs().stream().map(RungPart::of).toList(),
        rules.covering(to, at, isRange).stream().skip(1).map(AttachedLadder::words).toList());
  }

  /** A calendar to be read, as text. */
  record HolidaysRequest(@Nullable String calendar) {}

  /**
   * The whole days of an iCalendar file, from last year to three years ahead; nothing is stored.
   * 400 {@code value-unknown} where it is no such file.
   */
  @PostMapping("/holidays")
  List<HolidayFile.Holiday> holidays(@RequestBody HolidaysRequest given) {
    if (given.calendar() == null) {
      throw Refusal.of("value-missing", RulesWords.GIVE_TEXT_OF_ICALENDAR_FILE)
          .with("name", "calendar");
    }
    int year = LocalDate.now(clock).getYear();
    return HolidayFile.read(given.calendar(), year - 1, year + YEARS_AHEAD);
  }

  private ResponseEntity<RulesAnswer> answer(Rules rules) {
    return ResponseEntity.ok().eTag(companyRules.tag()).body(RulesAnswer.of(rules));
  }
}
