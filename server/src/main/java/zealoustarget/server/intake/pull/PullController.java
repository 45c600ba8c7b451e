package zealoustarget.server.intake.pull;

import java.time.DateTimeException;
import java.time.YearMonth;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import zealoustarget.core.Refusal;
import zealoustarget.server.intake.load.SnapshotDay;
import zealoustarget.server.intake.posting.LoadAnswer;
import zealoustarget.server.intake.posting.LoadAnswers;

/** Lines that are fetched from order and deal systems. Parses and maps only. */
@RestController
@RequestMapping("/api/v1")
class PullController {
  /** Which system, and which month such as {@code 2026-10}, or of deals which day. */
  record Asked(String source, @Nullable String month, @Nullable String day) {}

  /** The load, and whether it is the one that was pulled before. */
  record Answer(boolean unchanged, LoadAnswer load) {}

  private final PullService pulls;
  private final LoadAnswers answers;

  PullController(PullService pulls, LoadAnswers answers) {
    this.pulls = pulls;
    this.answers = answers;
  }

  /** The systems that can be asked. */
  @GetMapping("/sources")
  List<PullService.Source> sources() {
    return pulls.sources();
  }

  /**
   * Pulls a month, or a day's deals: 202 with a new load, or the earlier one where nothing has
   * changed.
   */
  @PostMapping("/pulls")
  @ResponseStatus(HttpStatus.ACCEPTED)
  Answer pull(@RequestBody Asked asked) {
    PullService.Source source = pulls.source(asked.source());
    PullService.Pulled pulled =
        source.isOfDeals()
            ? pulls.pull(source, SnapshotDay.day("day", asked.day() == null ? "" : asked.day()))
            : pulls.pull(source, month(asked.month()));
    return new Answer(pulled.isUnchanged(), answers.whole(pulled.loadId()));
  }

  private static YearMonth month(@Nullable String text) {
    try {
      return YearMonth.parse(text == null ? "" : text);
    } catch (DateTimeException unreadable) {
      throw Refusal.of("month-unreadable", PullWords.isNotMonth(text));
    }
  }
}
